import { beforeAll, describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { inTwo } from "../../../tests/support/twoParts";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { derive } from "../derived/derive";
import { halfOf } from "../derived/halves";
import { bringInlineRuntime } from "../engine/inlineRuntime";
import { type SimulationRequest, simulate } from "../engine/simulate";
import { findingsOf } from "../findings/check";
import { scanTableOf } from "../firmware/scanTable";
import { artifacts } from "../exports/registry";
import { tooMuchAtOnce } from "../image/usb8Images";
import { loadWayOf } from "../loader/loadWay";
import { planPins } from "../pins/planPins";
import { supplyAt } from "../power/solveSupply";
import { netlistOf } from "../wires/netlist";

beforeAll(bringInlineRuntime);

/** Each switch once, one after another. */
function everySwitch(design: Design): SimulationRequest {
  const switches = [...derive(design).elements.values()].filter(({ kind }) => kind === "switch");
  const events = switches.flatMap(({ id, controlId }, nth) => [
    { atMs: 60 + 300 * nth, action: "press" as const, control: controlId, end: id },
    { atMs: 120 + 300 * nth, action: "release" as const, control: controlId, end: id },
  ]);
  return { events, untilMs: 600 + 300 * switches.length };
}

describe.each(demoDesigns)("$name with a controller in each of two parts", (demo) => {
  const design = inTwo(demo);

  it("can be read again, has a pin for all, and nothing stops it", () => {
    expect(readDesign(JSON.parse(JSON.stringify(design))).ok).toBe(true);
    expect(planPins(design).unplaced).toEqual([]);
    expect(findingsOf(design).filter(({ severity }) => severity === "stop")).toEqual([]);
  });

  it("reads what it read, each contact at the part that it lies on", () => {
    const [one, two] = [demo, design].map(scanTableOf);
    expect([...two.switches].sort()).toEqual([...one.switches].sort());
    expect(two.encoders.map(({ elementId }) => elementId).sort()).toEqual(
      one.encoders.map(({ elementId }) => elementId).sort(),
    );
    expect([...two.sensors].sort()).toEqual([...one.sensors].sort());
    const { elements, controls } = derive(design);
    two.switches.forEach((id, sw) => {
      const { boardId } = controls.get(elements.get(id)!.controlId)!.placement;
      expect(sw < two.parts[0].switches, id).toBe(boardId !== "second");
    });
    expect(two.parts[1].groups).toBe(two.groups.length);
  });

  it("types what it typed", () => {
    const [one, two] = [demo, design].map((each) => simulate(each, everySwitch(demo)));
    if (!one.ok || !two.ok) throw new Error("cannot be simulated");
    expect(one.value.reports.length).toBeGreaterThan(0);
    expect(two.value.text).toBe(one.value.text);
    expect(two.value.music.map(({ words }) => words)).toEqual(one.value.music.map(({ words }) => words));
  });

  it("takes the current of both parts, each pad stands in the netlist once, and no export fails but those that say why", async () => {
    const [main, far] = design.controllers.map(({ id }) =>
      supplyAt({ ...halfOf(design, id), partLinks: [] }, "worst")!,
    );
    expect(supplyAt(design, "worst")!.sourceMa).toBeCloseTo(main.sourceMa + far.sourceMa, 0);
    const ends = netlistOf(design).flatMap(({ pins }) => pins.map(({ part, number }) => `${part} ${number}`));
    expect(new Set(ends).size).toBe(ends.length);
    const refused = [];
    for (const artifact of artifacts) {
      const made = await artifact.make(design);
      if ("ok" in made && !made.ok) refused.push(artifact.id);
    }
    // Each controller's class has its own ways.
    const [way] = derive(design).controllers.map(({ profile }) => loadWayOf(profile!));
    const isTooMuch = tooMuchAtOnce(design, scanTableOf(design)) !== null;
    const cannot = { "flash-image": way !== "image" || isTooMuch, "firmware-python": way !== "python" };
    expect(refused).toEqual(Object.entries(cannot).flatMap(([id, is]) => (is ? [id] : [])));
  });
});
