/** The stages in the order of the work. */
export const stageIds = [
  "brief",
  "layout",
  "wiring",
  "pins",
  "circuits",
  "keymap",
  "reports",
  "try",
  "make",
  "bring-up",
  "journal",
  "practice",
] as const;
export type Stage = (typeof stageIds)[number];
