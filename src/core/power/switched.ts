import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { baseResistor } from "../electrics/transistor";

/** A motor or buzzer that a transistor switches. */
export interface Switched {
  label: string;
  transistor: string;
  /** Before base or gate, as it is printed. */
  resistor: string;
  /** What the pin gives meanwhile, in mA. */
  pinMa: number;
  flyback: string;
}

/** Every motor and buzzer behind a transistor, with what stands around it. */
export function switchedParts(design: Design): Switched[] {
  const { chips, shuntById, elements, profile } = derive(design);
  return chips.flatMap(({ id, part, title }): Switched[] => {
    const [circuitId, elementId] = id.split(".Q ");
    const element = elements.get(elementId ?? "");
    if (part !== "transistor" || !element || !profile) return [];
    const resistor = shuntById.get(`${circuitId}.base ${elementId}`)?.value ?? "";
    const flyback = shuntById.get(`${circuitId}.flyback ${elementId}`)?.value ?? "";
    // A gate takes current only while it is charged.
    const isBase = title.startsWith("NPN");
    const { baseMa } = baseResistor(profile.logicV, element.currentMa ?? 1, profile.pinCurrentMa);
    return [{ label: element.label, transistor: title, resistor, pinMa: isBase ? baseMa : 0, flyback }];
  });
}
