import { layersWithoutReturn } from "../../keymap/layerReach";
import { type Rule, listed } from "../finding";

export const noWayBack: Rule = {
  id: "keymap/no-way-back",
  stage: "keymap",
  severity: "warn",
  why: "Whoever goes there can only unplug the device to get back.",
  source: "follows from the keymap",
  check(design, { inputs }) {
    const label = (id: string) => inputs.find((input) => input.id === id)?.label ?? id;
    const name = (id: string) => design.keymap.layers.find((layer) => layer.id === id)!.name;
    return layersWithoutReturn(design).map(({ layerId, enteredBy }) => ({
      message: `${listed(enteredBy.map(label))} ${enteredBy.length === 1 ? "leads" : "lead"} to ${name(layerId)} for good: no key there leads back.`,
      subjects: [{ kind: "layer" as const, id: layerId }, ...enteredBy.map((id) => ({ kind: "input" as const, id }))],
    }));
  },
};
