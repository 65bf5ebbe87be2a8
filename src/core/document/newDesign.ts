import { trialIdentity } from "./identity";
import { noPinWishes } from "./pinWishes";
import { usualWires } from "./wireSettings";
import { emptyBrief } from "./wish";
import { usualSupply } from "./supplySettings";
import { usualTiming } from "./debounce";
import { usualMaking } from "./makingSettings";
import { noReach } from "./reachSettings";
import { type Board, DESIGN_FORMAT, DESIGN_VERSION, type Design } from "./schema";

/** Key pitch of full-height keys: 0.75 inch (common practice). */
export const FULL_PITCH_MM = 19.05;

/**
 * A board as a fresh one is: an outline 6 mm outside its controls, a printed plate of 1.5 mm carried by its case. Panels
 * are cut as rectangles, halves and modules follow their hull.
 */
export const newBoard = (id: string, name: string, kind: Board["kind"]): Board => ({
  id,
  name,
  kind,
  marginMm: 6,
  cornerRadiusMm: 6,
  follows: kind === "panel" ? "rectangle" : "hull",
  outline: null,
  plate: { material: "printed", thicknessMm: 1.5 },
  edgeCarried: true,
});

/** An empty design: one panel, nothing on it. */
export function newDesign(id: string, name: string): Design {
  return {
    format: DESIGN_FORMAT,
    version: DESIGN_VERSION,
    id,
    name,
    note: "",
    brief: emptyBrief,
    pitch: { xMm: FULL_PITCH_MM, yMm: FULL_PITCH_MM },
    boards: [newBoard("panel", "Panel", "panel")],
    links: [],
    groups: [],
    parts: [],
    colourGroups: [],
    capSets: [],
    reach: noReach,
    making: usualMaking,
    controls: [],
    circuits: [],
    chipPlaces: {},
    controllers: [],
    profiles: [],
    pinPlan: {},
    pinWishes: noPinWishes,
    wires: usualWires,
    supply: usualSupply,
    buses: [],
    keymap: { hostLanguage: "en-US", layers: [{ id: "base", name: "Base", bindings: {} }], lamps: {} },
    reportSet: { productName: name.slice(0, 60), ...trialIdentity, interfaces: ["keyboard", "consumer", "live"] },
    timing: usualTiming,
    journal: [],
  };
}
