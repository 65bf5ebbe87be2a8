import { edit } from "./bench";

/** Gives every input that does nothing yet a binding. Comes with its first use. */
export async function fillKeymapNow(): Promise<void> {
  const { fillKeymap } = await import("@/core/edits/firstKeymap");
  edit("first keymap", fillKeymap);
}
