import { controllerCatalogue } from "../../catalogue/controllers";
import { type ControllerProfile, usablePins } from "../../catalogue/controllers/controllerProfile";
import { type Derived, derive } from "../../design/derive";
import { chooseController } from "../../design/edits/pins";
import { shareOutMatrix } from "../../design/edits/wiring";
import type { Design } from "../../design/schema";
import { type Fix, type Rule, counted } from "../finding";

/** The same design with all switches in the matrix that needs the fewest pins, when that saves enough. */
function matrixFix(design: Design, usable: number, needed: number): Fix[] {
  const replanned = derive(shareOutMatrix(design, "fewest-pins"));
  const after = replanned.signalNets.length;
  if (after > usable) return [];
  const rows = replanned.nets.filter((net) => net.role === "row").length;
  const columns = replanned.nets.filter((net) => net.role === "column").length;
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
const waysOut = (design: Design, { signalNets }: Derived, usable: number): Fix[] => [
  ...matrixFix(design, usable, signalNets.length),
  ...largerController(signalNets.length),
];

export const tooFewPins: Rule = {
  id: "pins/too-few",
  stage: "pins",
  severity: "stop",
  why: "Every net needs a pin of its own; found out after ordering, this means a new board.",
  source: "counts of nets and of usable pins",
  check(design, derived) {
    const { profile, signalNets } = derived;
    if (!profile) return [];
    const usable = usablePins(profile).length;
    const short = signalNets.length - usable;
    if (short <= 0) return [];
    return [
      {
        message: `${counted(short, "pin")} too few: ${signalNets.length} nets need pins, the ${profile.title} has ${usable}.`,
        subjects: [],
        fixes: waysOut(design, derived, usable),
      },
    ];
  },
};
