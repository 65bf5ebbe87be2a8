import { describe, expect, it } from "vitest";
import { chainOf } from "../../../tests/support/litRows";
import type { Design } from "@/core/document/schema";
import { usualSupply } from "@/core/document/supplySettings";
import { planBatteryTask, planLadderTask, planLightsTask } from "./planCircuitTasks";
import { serverTasks } from "./tasks";

const bytes = (value: unknown) => new TextEncoder().encode(JSON.stringify(value));
const ask = async (task: typeof planLadderTask, value: unknown) => {
  const reply = await task(bytes(value), "", () => {});
  return { status: reply.status, body: JSON.parse(String(reply.body)) as Record<string, never> };
};

describe("POST /api/plan/ladder", () => {
  it("answers margins of equal resistors, the best of a series, and a yield", async () => {
    const { status, body } = await ask(planLadderTask, { keys: 12, tolerance: 0.05, ripple: 0.03, samples: 200 });
    expect(status).toBe(200);
    expect(body).toMatchObject({ best: { isExhaustive: false }, yield: { samples: 200 } });
    expect(body.equalMargin).toBeLessThan(body.neededMargin);
  });

  it("names what is wrong with a question", async () => {
    const { status, body } = await ask(planLadderTask, { keys: 1, colour: "red" });
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toContain("keys");
    expect((await planLadderTask(new TextEncoder().encode("{"), "", () => {})).status).toBe(400);
  });
});

describe("POST /api/plan/lights", () => {
  it("answers what holds for 60 lights on a port", async () => {
    const { status, body } = await ask(planLightsTask, chainOf(60));
    expect(status).toBe(200);
    expect(body).toMatchObject({ highestBrightness: 17, load: { lights: 60 } });
  });

  it("says when there is no such chain, or no controller", async () => {
    expect((await ask(planLightsTask, { design: chainOf(3), options: { circuitId: "gone" } })).status).toBe(422);
    expect((await ask(planLightsTask, { ...chainOf(3), controllers: [] })).status).toBe(422);
  });
});

describe("POST /api/plan/battery", () => {
  const battery: Design = {
    ...chainOf(3),
    supply: {
      ...usualSupply,
      source: { kind: "battery", cell: "lithium-ion", series: 1, capacityMah: 2000, cutOffV: 3.3 },
    },
  };

  it("answers how long it lasts, with its uncertainty, and how it is measured", async () => {
    const { body } = await ask(planBatteryTask, battery);
    const { days, leastDays, mostDays } = body.endurance as Record<string, number>;
    expect(leastDays).toBeLessThan(days);
    expect(days).toBeLessThan(mostDays);
    expect(body.measuring).toHaveProperty("table");
  });

  it("wants a battery", async () => expect((await ask(planBatteryTask, chainOf(3))).status).toBe(422));
});

describe("facts of a check", () => {
  it("tell currents, times and knobs' limits, and none of the currents without a controller", async () => {
    const { body } = await ask(serverTasks.check, chainOf(3));
    expect(body.facts).toMatchObject({ currentsMa: { worst: 145 }, knobTurns: {} });
    const bare = await ask(serverTasks.check, { ...chainOf(3), controllers: [] });
    expect(bare.body.facts).toMatchObject({ currentsMa: null });
  });
});
