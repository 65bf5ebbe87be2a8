import type { Radio } from "../../catalogue/kinds/radio";
import type { SpiRadio } from "../../circuits/spiRadio";
import type { Design } from "../../document/schema";
import { wireNew } from "../../edits/wiring";
import { type Fix, type Rule, listed } from "../finding";

interface OnBus {
  elementId: string;
  label: string;
  mode: number;
}

function radiosOn(design: Design, bus: number): OnBus[] {
  const circuits = design.circuits.filter((one): one is SpiRadio => one.kind === "spi-radio" && one.bus === bus);
  const byElement = new Map(
    design.controls
      .filter((control): control is Radio => control.kind === "radio")
      .map((control) => [`${control.id}:radio`, control]),
  );
  return circuits.flatMap(({ members }) =>
    members.flatMap((elementId) => {
      const control = byElement.get(elementId);
      return control ? [{ elementId, label: control.label, mode: control.spiMode ?? 0 }] : [];
    }),
  );
}

/** Those of another mode than the first get a bus of their own. */
function apart(design: Design, on: OnBus[]): Fix[] {
  const taken = new Set(design.circuits.flatMap((one) => (one.kind === "spi-radio" ? [one.bus] : [])));
  const free = [0, 1, 2, 3].find((other) => !taken.has(other));
  if (free === undefined) return [];
  const others = on.filter(({ mode }) => mode !== on[0].mode).map(({ elementId }) => elementId);
  const apply = (d: Design): Design => {
    const wired = wireNew(d, "spi-radio", others);
    const fresh = wired.circuits.at(-1)!;
    return {
      ...wired,
      circuits: wired.circuits.map((one) => (one === fresh ? ({ ...one, bus: free } as SpiRadio) : one)),
    };
  };
  return [{ title: "Give those of another mode a bus of their own", apply }];
}

/** Devices of different clock modes on one serial bus. */
export const serialModes: Rule = {
  id: "circuits/serial-modes",
  stage: "circuits",
  severity: "warn",
  why: "The mode says how the clock rests and at which edge data is taken. Changing it while a part is selected gives that part an edge too many.",
  source: "common practice of four-wire serial buses: clock polarity and phase are set before a select goes low",
  check(design) {
    return [0, 1, 2, 3].flatMap((bus) => {
      const on = radiosOn(design, bus);
      if (new Set(on.map(({ mode }) => mode)).size < 2) return [];
      const words = on.map(({ label, mode }) => `${label} in mode ${mode}`);
      return [
        {
          message: `Serial bus ${bus + 1} has parts of different modes: ${listed(words)}. Firmware must change the mode between them, with every select high.`,
          subjects: on.map(({ elementId }) => ({ kind: "element" as const, id: elementId })),
          fixes: apart(design, on),
        },
      ];
    });
  },
};
