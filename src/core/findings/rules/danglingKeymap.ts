import type { Control } from "../../catalogue/kinds";
import type { Element } from "../../catalogue/kinds/controlKind";
import { hasValue } from "../../derived/valueSources";
import { topOf } from "../../firmware/shownStates";
import { type LampRule, toldNumber } from "../../document/lampRule";
import { setLampRule } from "../../edits/keymap";
import type { Design, Layer } from "../../document/schema";
import { goneTold } from "../../keymap/toldWords";
import { type Observation, type Rule, controlSubject, counted } from "../finding";

/** The knob or axis of the device's own that a lamp follows and that is not there, or null. */
const goneKnob = (rule: LampRule, design: Design): string | null =>
  rule.when === "value" && toldNumber(rule.elementId) < 0 && !hasValue(design, rule.elementId) ? "a knob" : null;

/** Lamps that show a value which their knob never comes to. */
const darkLamps = (design: Design, elements: Map<string, Element>, controls: Map<string, Control>) =>
  Object.entries(design.keymap.lamps).flatMap(([id, rule]) => {
    const knob = rule.when === "value" ? elements.get(rule.elementId) : undefined;
    if (rule.when !== "value" || !knob || !hasValue(design, rule.elementId)) return [];
    const top = topOf(design, rule.elementId);
    if (rule.atLeast <= top) return [];
    const lower = {
      title: `Light it from ${top} on`,
      apply: (d: Design) => setLampRule(d, id, { ...rule, atLeast: top }),
    };
    return [
      {
        severity: "warn" as const,
        message: `${controls.get(id)?.label ?? id} lights from ${rule.atLeast} on, and the value of ${knob.label} counts to ${top}; it stays dark.`,
        subjects: controls.has(id) ? [controlSubject(id)] : [],
        fixes: top > 0 ? [lower] : [],
      },
    ];
  });

/** What layers say of axes that the device does not have. */
function lostAxes({ keymap }: Design, elements: Map<string, Element>): Observation[] {
  const isThere = (id: string) => elements.get(id)?.kind === "analog";
  const kept = (axes: Layer["axes"] = {}) => Object.fromEntries(Object.entries(axes).filter(([id]) => isThere(id)));
  const forget = (d: Design): Design => ({
    ...d,
    keymap: { ...d.keymap, layers: d.keymap.layers.map((layer) => ({ ...layer, axes: kept(layer.axes) })) },
  });
  return keymap.layers.flatMap(({ name, axes = {} }) => {
    const lost = Object.keys(axes).filter((id) => !isThere(id));
    if (lost.length === 0) return [];
    const message = `${name} moves something with ${lost.length === 1 ? "an axis" : `${lost.length} axes`} that the device does not have.`;
    return [{ message, subjects: [], fixes: [{ title: "Forget them", apply: forget }] }];
  });
}

/** Lamps that show a layer that is not there, and bindings of inputs that are not there. */
export const danglingKeymap: Rule = {
  id: "keymap/dangling",
  stage: "keymap",
  severity: "note",
  why: "What is bound to something that is gone does nothing, and is found nowhere on the mat.",
  source: "follows from the keymap",
  check(design, { bindable, controls, elements }) {
    const layers = new Set(design.keymap.layers.map(({ id }) => id));
    const known = new Set(bindable.map(({ id }) => id));
    const lamps = Object.entries(design.keymap.lamps).flatMap(([id, rule]) => {
      const gone =
        (rule.when === "layer" && !layers.has(rule.layerId) && "a layer") ||
        (rule.when === "held" && !known.has(rule.inputId) && "an input") ||
        goneTold(design, rule) ||
        goneKnob(rule, design);
      if (!gone) return [];
      return [
        {
          severity: "warn" as const,
          message: `${controls.get(id)?.label ?? id} shows ${gone} that is gone; it stays dark.`,
          subjects: controls.has(id) ? [controlSubject(id)] : [],
          fixes: [{ title: "Let it show nothing", apply: (d: Design) => setLampRule(d, id, { when: "never" }) }],
        },
      ];
    });
    const lost = design.keymap.layers.flatMap(({ name, bindings }) => {
      const ids = Object.keys(bindings).filter((id) => !known.has(id));
      return ids.length === 0 ? [] : [{ name, ids }];
    });
    const bindings = lost.map(({ name, ids }) => ({
      message: `${name} binds ${counted(ids.length, "input")} that the device does not have.`,
      subjects: [],
      fixes: [
        {
          title: "Forget them",
          apply: (d: Design): Design => ({
            ...d,
            keymap: {
              ...d.keymap,
              layers: d.keymap.layers.map((layer) => ({
                ...layer,
                bindings: Object.fromEntries(Object.entries(layer.bindings).filter(([id]) => known.has(id))),
              })),
            },
          }),
        },
      ],
    }));
    return [...lamps, ...darkLamps(design, elements, controls), ...bindings, ...lostAxes(design, elements)];
  },
};
