import type { Derived } from "../../derived/derive";
import type { Glow } from "../../document/glows";
import { hasValue } from "../../derived/valueSources";
import { toldNumber } from "../../document/lampRule";
import type { Design } from "../../document/schema";
import { addGlow, removeGlow } from "../../edits/glows";
import { glowsOf, lightsOf, ownKeyOf } from "../../firmware/lights";
import { topOf } from "../../firmware/shownStates";
import { type ScanTable, scanTableOf } from "../../firmware/scanTable";
import { glowLightsWords } from "../../keymap/glowWords";
import { goneTold, goneToldValue } from "../../keymap/toldWords";
import { type Observation, type Rule, controlSubject, counted } from "../finding";

const FIRST_GLOW = "first-glow";

/** What a glow follows that is gone, or null. */
function goneOf({ when, shows }: Glow, design: Design, { bindable }: Derived): string | null {
  const { keymap } = design;
  const isKnob = (id: string) => toldNumber(id) >= 0 || hasValue(design, id);
  if (when.when === "layer" && !keymap.layers.some(({ id }) => id === when.layerId)) return "a layer";
  if (when.when === "held" && !bindable.some(({ id }) => id === when.inputId)) return "an input";
  const told = goneTold(design, when) ?? (shows.how === "value" ? goneToldValue(design, shows.elementId) : null);
  if (told) return told;
  if (when.when === "value" && !isKnob(when.elementId)) return "a knob";
  return shows.how === "value" && !isKnob(shows.elementId) ? "a knob" : null;
}

/** Why a glow is never seen, as the end of a sentence, or null. */
function neverSeen(glow: Glow, design: Design, derived: Derived, scan: ScanTable): string | null {
  const gone = goneOf(glow, design, derived);
  if (gone) return `follows ${gone} that is gone`;
  if (glow.when.when === "value") {
    const top = topOf(design, glow.when.elementId);
    if (glow.when.atLeast > top)
      return `is seen from ${glow.when.atLeast} on, and the value of its knob counts to ${top}`;
  }
  const own = glow.lights ?? lightsOf(scan);
  if (glow.when.when === "own-key" && own.every((id) => ownKeyOf(design, id) === null))
    return "shows lights the key beside them, and none has one within a pitch";
  return null;
}

/** Lights that nothing is said of, and glows that are never seen. */
export const darkLights: Rule = {
  id: "keymap/dark-lights",
  stage: "keymap",
  severity: "warn",
  why: "Lights show what glows say of them, and nothing else; a light that stays dark is taken for a broken one.",
  source: "docs/device-behaviour.md, addressable lights",
  check(design, derived) {
    const scan = scanTableOf(design);
    const lights = lightsOf(scan);
    if (lights.length === 0) return [];
    const subjects = lights.map((id) => controlSubject(derived.elements.get(id)?.controlId ?? id));
    const unsaid: Observation = {
      severity: "note",
      message: `Nothing says what ${counted(lights.length, "light")} should show; they stay dark.`,
      subjects,
      fixes: [{ title: "Let all lights glow", apply: (d) => addGlow(d, FIRST_GLOW) }],
    };
    const never = (design.keymap.glows ?? []).flatMap((glow): Observation[] => {
      const why = neverSeen(glow, design, derived, scan);
      if (why === null) return [];
      return [
        {
          message: `A glow of ${glowLightsWords(glow, design)} ${why}; it is never seen.`,
          subjects: [],
          fixes: [{ title: "Remove it", apply: (d) => removeGlow(d, glow.id) }],
        },
      ];
    });
    return glowsOf(design, scan).length === 0 ? [unsaid, ...never] : never;
  },
};
