import { axisUseReport } from "../../axisUses";
import { type InterfaceKind, interfaceFaces } from "../../hid/interfaceKinds";
import { isTold } from "../../hid/panelSettings";
import { hasSocket } from "../../firmware/musicSocket";
import type { GlowRule } from "../../document/glows";
import { type LampRule, toldNumber } from "../../document/lampRule";
import type { Design } from "../../document/schema";
import { bindingReports } from "../../keymap/bindingReports";
import { type Rule, controlSubject, listed } from "../finding";

/** Lamps, segment displays, and lights of glows, that show what the computer tells. */
function toldShown({ keymap: { lamps, glows = [], layers } }: Design): string[] {
  const isTelling = (rule: LampRule | GlowRule) =>
    rule.when === "told" || (rule.when === "value" && toldNumber(rule.elementId) >= 0);
  const figures = layers.flatMap(({ segments = {} }) =>
    Object.entries(segments).flatMap(([id, show]) =>
      show.shows === "value" && toldNumber(show.elementId) >= 0 ? [id] : [],
    ),
  );
  const lit = [...Object.entries(lamps).flatMap(([id, rule]) => (isTelling(rule) ? [id] : [])), ...new Set(figures)];
  return glows.some(({ when }) => isTelling(when)) ? [...lit, "Glows"] : lit;
}

export const missingInterface: Rule = {
  id: "reports/missing-interface",
  stage: "reports",
  severity: "stop",
  why: "The host ignores reports of an interface that the device does not declare.",
  source: "USB HID 1.11: reports are described by their interface's descriptor",
  check(design, { bindable, elements, controls }) {
    const needed = new Map<InterfaceKind, string[]>();
    for (const layer of design.keymap.layers) {
      for (const [inputId, binding] of Object.entries(layer.bindings)) {
        for (const report of bindingReports(design, binding))
          needed.set(report, [...(needed.get(report) ?? []), inputId]);
      }
    }
    for (const { axes = {} } of design.keymap.layers) {
      for (const [elementId, use] of Object.entries(axes)) {
        const report = axisUseReport(use);
        if (report) needed.set(report, [...(needed.get(report) ?? []), elementId]);
      }
    }
    const knobs = Object.entries(design.keymap.knobs ?? {}).filter(
      ([id, { controller }]) => controller && elements.has(id),
    );
    for (const [id] of knobs) needed.set("music", [...(needed.get("music") ?? []), id]);
    const shown = toldShown(design);
    if (shown.length > 0) needed.set("panel", shown);
    const nameOf = (id: string) =>
      bindable.find((i) => i.id === id)?.label ?? elements.get(id)?.label ?? controls.get(id)?.label ?? id;
    return [...needed.entries()]
      .filter(
        ([kind]) =>
          !design.reportSet.interfaces.includes(kind) &&
          !(kind === "music" && hasSocket(design)) &&
          !(kind === "panel" && isTold(design)),
      )
      .map(([kind, ids]) => ({
        message: `${listed(ids.slice(0, 4).map((id) => nameOf(id)))} ${kind === "panel" ? "would show what is told on" : "would report on"} "${interfaceFaces[kind].title}", which the device does not declare.`,
        subjects: [...new Set(ids)].map((id) =>
          controls.has(id)
            ? controlSubject(id)
            : elements.has(id) && !bindable.some((input) => input.id === id)
              ? controlSubject(elements.get(id)!.controlId)
              : { kind: "input" as const, id },
        ),
        fixes: [
          {
            title: `Declare ${interfaceFaces[kind].title}`,
            apply: (d) => ({ ...d, reportSet: { ...d.reportSet, interfaces: [...d.reportSet.interfaces, kind] } }),
          },
        ],
      }));
  },
};
