import { PLACE_MOST } from "../contract/contract";

/** Where on the screen a pointer is put: parts of its width from the left and of its height from the top, 0 to 1. */
export interface ScreenPlace {
  across: number;
  down: number;
}

/** What the report of a place says. */
export const placeOf = (bytes: Uint8Array): ScreenPlace => ({
  across: (bytes[1] | (bytes[2] << 8)) / PLACE_MOST,
  down: (bytes[3] | (bytes[4] << 8)) / PLACE_MOST,
});

const percent = (part: number) => `${(100 * part).toFixed(1)} %`;

/** "25.0 %, 50.0 %": across, then down. */
export const placeNumbers = ({ across, down }: ScreenPlace): string => `${percent(across)}, ${percent(down)}`;

/** "25.0 % across, 50.0 % down" */
export const placeWords = ({ across, down }: ScreenPlace): string => `${percent(across)} across, ${percent(down)} down`;
