import { controllerCatalogue } from "../../catalogue/controllers";
import { type ControllerProfile, usablePins } from "../../catalogue/controllers/controllerProfile";
import { direct } from "../../circuits/direct";
import type { Derived } from "../../design/derive";
import { chooseController } from "../../design/edits/pins";
import { shareOutMatrix } from "../../design/edits/wiring";
import { fewestLines } from "../../matrix/planReadingOrder";
import { type Fix, type Rule, counted } from "../finding";

/** All switches in the matrix that needs the fewest pins, the rest direct, when that is enough: counted, not planned. */
function matrixFix({ elements }: Derived, usable: number, needed: number): Fix[] {
  const all = [...elements.values()];
  const { rows, columns } = fewestLines(all.filter(({ kind }) => kind === "switch").length);
  const others = all.filter((element) => element.kind !== "switch" && direct.takes(element));
  const after = rows + columns + others.reduce((sum, { kind }) => sum + (kind === "quadrature" ? 2 : 1), 0);
  if (after > usable) return [];
  const title = `Share out ${rows} rows and ${columns} columns: ${after} pins instead of ${needed}`;
  return [{ title, apply: (d) => shareOutMatrix(d, "fewest-pins") }];
}

const isReadyUsb = ({ form, firmware }: ControllerProfile) => form === "module" && firmware.compiled === "runs-usb";

/** The cheapest ready module that fits and can be a USB device; else whatever fits. */
function largerController(needed: number): Fix[] {
  const fitting = controllerCatalogue
    .filter((profile) => usablePins(profile).length >= needed)
    .sort((a, b) => Number(isReadyUsb(b)) - Number(isReadyUsb(a)) || a.price - b.price)[0];
  if (!fitting) return [];
  return [{ title: `Take the ${fitting.title}`, apply: (d) => chooseController(d, fitting.id) }];
}

/** Cheapest first: a few diodes, then another board. */
const waysOut = (derived: Derived, usable: number): Fix[] => [
  ...matrixFix(derived, usable, derived.signalNets.length),
  ...largerController(derived.signalNets.length),
];

export const tooFewPins: Rule = {
  id: "pins/too-few",
  stage: "pins",
  severity: "stop",
  why: "Every net needs a pin of its own; found out after ordering, this means a new board.",
  source: "counts of nets and of usable pins",
  check(_design, derived) {
    const { profile, signalNets } = derived;
    if (!profile) return [];
    const usable = usablePins(profile).length;
    const short = signalNets.length - usable;
    if (short <= 0) return [];
    return [
      {
        message: `${counted(short, "pin")} too few: ${signalNets.length} nets need pins, the ${profile.title} has ${usable}.`,
        subjects: [],
        fixes: waysOut(derived, usable),
      },
    ];
  },
};
