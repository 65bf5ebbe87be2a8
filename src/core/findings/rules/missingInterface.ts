import { axisUseReport } from "../../axisUses";
import { type InterfaceKind, interfaceFaces } from "../../hid/interfaceKinds";
import { bindingReports } from "../../keymap/bindingReports";
import { type Rule, controlSubject, listed } from "../finding";

export const missingInterface: Rule = {
  id: "reports/missing-interface",
  stage: "reports",
  severity: "stop",
  why: "The host ignores reports of an interface that the device does not declare.",
  source: "USB HID 1.11: reports are described by their interface's descriptor",
  check(design, { bindable, elements }) {
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
    const nameOf = (id: string) => bindable.find((i) => i.id === id)?.label ?? elements.get(id)?.label ?? id;
    return [...needed.entries()]
      .filter(([kind]) => !design.reportSet.interfaces.includes(kind))
      .map(([kind, ids]) => ({
        message: `${listed(ids.slice(0, 4).map((id) => nameOf(id)))} would report on "${interfaceFaces[kind].title}", which the device does not declare.`,
        subjects: [...new Set(ids)].map((id) =>
          elements.get(id)?.kind === "analog"
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
