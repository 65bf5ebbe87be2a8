import type { Design } from "../document/schema";
import type { ReadKeymap } from "../formats/keymapCsv";
import { bind } from "./keymap";

/** A design with what a table said. */
export const takeKeymap = (design: Design, { changes }: Pick<ReadKeymap, "changes">): Design =>
  changes.reduce((next, { layerId, inputId, binding }) => bind(next, layerId, inputId, binding), design);
