import { type Rule, counted, listed } from "../finding";

/** The same interface declared twice. */
export const interfaceTwice: Rule = {
  id: "reports/interface-twice",
  stage: "reports",
  severity: "warn",
  why: "The device would declare the same reports on two interfaces; only the first is used.",
  source: "follows from the report set",
  check(design) {
    const { interfaces } = design.reportSet;
    const once = [...new Set(interfaces)];
    if (once.length === interfaces.length) return [];
    return [
      {
        message: `The device declares ${listed(interfaces)}: ${counted(interfaces.length - once.length, "interface")} too many.`,
        subjects: [],
        fixes: [
          {
            title: "Declare each once",
            apply: (d) => ({ ...d, reportSet: { ...d.reportSet, interfaces: once } }),
          },
        ],
      },
    ];
  },
};
