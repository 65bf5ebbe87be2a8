import { supplyAt } from "../../power/solveSupply";
import type { Rule } from "../finding";

/** What a device still takes while the computer sleeps. */
export const asleepCurrent: Rule = {
  id: "circuits/asleep-current",
  stage: "circuits",
  severity: "note",
  why: "A suspended device may take next to nothing; some computers cut off one that takes more, and laptops lose their charge.",
  source:
    "USB 2.0, 7.2.3 with the change on suspend current: 2.5 mA; 1 mA of a dark addressable light as common practice",
  eachController: true,
  check(design) {
    const asleep = supplyAt(design, "asleep");
    const limit = asleep?.source.asleepMa ?? null;
    if (!asleep || limit === null || asleep.sourceMa <= limit) return [];
    const most = [...asleep.consumers].sort((a, b) => asleep.parts.get(b.id)!.ma - asleep.parts.get(a.id)!.ma);
    const sort = most[0].sort === "light" ? "lights, which take 1 mA each even when dark" : most[0].label;
    return [
      {
        message: `Asleep the device still takes ${asleep.sourceMa.toFixed(1)} mA of ${limit} mA, most of it in ${sort}.`,
        subjects: [],
      },
    ];
  },
};
