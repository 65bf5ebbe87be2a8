import { DESIGN_FORMAT, DESIGN_VERSION, type Design } from "./schema";

/** Key pitch of full-height keys: 0.75 inch (common practice). */
export const FULL_PITCH_MM = 19.05;

/** An empty design: one panel, nothing on it. */
export function newDesign(id: string, name: string): Design {
  return {
    format: DESIGN_FORMAT,
    version: DESIGN_VERSION,
    id,
    name,
    note: "",
    pitch: { xMm: FULL_PITCH_MM, yMm: FULL_PITCH_MM },
    boards: [{ id: "panel", name: "Panel", kind: "panel", marginMm: 6 }],
    links: [],
    controls: [],
    circuits: [],
    controllers: [],
    profiles: [],
    pinPlan: {},
    keymap: { hostLanguage: "en-US", layers: [{ id: "base", name: "Base", bindings: {} }], lamps: {} },
    reportSet: { productName: name.slice(0, 60), interfaces: ["keyboard", "consumer"] },
    timing: { debounceMs: 5, settleUs: 5, tapMs: 2 },
    journal: [],
  };
}
