import { select, toggleSelected } from "./hand";

/** Picks a control from a table: alone, or in addition. */
export function pickControl(id: string, adding: boolean): void {
  if (adding) toggleSelected(id);
  else select([id]);
}
