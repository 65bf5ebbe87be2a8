import { later } from "@/ui/pieces/later";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";

const FirstKeymapNote = later(() => import("./FirstKeymapNote").then((m) => m.FirstKeymapNote));

/** Whether a design has inputs and none of them does anything yet. */
const isSilent = (design: Design) =>
  derive(design).inputs.length > 0 && design.keymap.layers.every(({ bindings }) => Object.keys(bindings).length === 0);

/** Offered while nothing is bound at all: then every press is silent. */
export const FirstKeymapOffer = ({ design }: { design: Design }) => (isSilent(design) ? <FirstKeymapNote /> : null);
