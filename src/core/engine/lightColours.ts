import type { ColourOrder } from "../catalogue/parts/part";
import type { BuiltChain } from "../circuits/circuitKind";
import { LIGHT_BYTES } from "../contract/contract";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { orderOf } from "../firmware/colourOrder";

const ALL = 255;
/** A light's brightness follows its number evenly, a screen's does not (the usual gamma of screens, 2.2). */
const onScreen = (level: number) => Math.round(ALL * (level / ALL) ** (1 / 2.2));

const colourText = (bytes: Uint8Array, order: ColourOrder) =>
  `#${["r", "g", "b"].map((c) => onScreen(bytes[order.indexOf(c)]).toString(16).padStart(2, "0")).join("")}`;

/**
 * What a chain's lights look like, told their bytes: a colour of the screen by control id, or null where one is dark.
 * Lights behind the last byte are not told anything.
 */
export function coloursOfChain(design: Design, { lights }: BuiltChain, bytes: Uint8Array): [string, string | null][] {
  const { elements } = derive(design);
  return lights.slice(0, bytes.length / LIGHT_BYTES).map((id, nth) => {
    const own = bytes.subarray(nth * LIGHT_BYTES, (nth + 1) * LIGHT_BYTES);
    const isDark = own.every((byte) => byte === 0);
    return [elements.get(id)?.controlId ?? id, isDark ? null : colourText(own, orderOf(design, id))];
  });
}
