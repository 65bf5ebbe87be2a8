import type { ColourOrder } from "../catalogue/parts/part";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

/** In which order a light's part takes its bytes. */
export function orderOf(design: Design, elementId: string): ColourOrder {
  const derived = derive(design);
  const control = derived.controls.get(derived.elements.get(elementId)?.controlId ?? "");
  return (control && derived.partOf(control).colourOrder) ?? "grb";
}
