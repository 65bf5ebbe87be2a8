import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { partsList } from "@/core/purchase/partsList";
import { planPurchaseTask } from "./planPurchaseTask";
import { serverTasks } from "./tasks";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const names = partsList(loom).map(({ name }) => name);
const offer = (part: string, each: number) => ({ part, steps: [{ from: 1, each }] });

async function ask(options: unknown) {
  const body = new TextEncoder().encode(JSON.stringify({ design: loom, options }));
  const reply = await planPurchaseTask(body, "", () => {});
  return { status: reply.status, body: JSON.parse(String(reply.body)) as Record<string, never> };
}

describe("POST /api/plan/purchase", () => {
  it("is one of the server's calls", () => expect(serverTasks["plan/purchase"]).toBe(planPurchaseTask));

  it("answers what is needed and open when nobody offers anything", async () => {
    const { status, body } = await ask({});
    expect(status).toBe(200);
    expect(body).toMatchObject({ unoffered: names, total: 0, orders: [], unknown: [] });
    expect((body.lines as { name: string; needed: number }[]).find(({ name }) => name === "Diode 1N4148")!.needed).toBe(
      71,
    );
  });

  it("splits over suppliers, and tells what other numbers of devices cost", async () => {
    const suppliers = [
      { name: "Near", shipping: 4, offers: names.map((name) => offer(name, 1)) },
      { name: "Far", shipping: 9, offers: [offer("Diode 1N4148", 0.01), offer("Nobody knows it", 1)] },
    ];
    const { body } = await ask({ suppliers, stock: { constructor: 3 } });
    expect((body.orders as { supplier: string }[]).map(({ supplier }) => supplier)).toEqual(["Near", "Far"]);
    expect(body).toMatchObject({ proof: "optimal", unoffered: [], unknown: ["constructor", "Nobody knows it"] });
    const costs = body.costs as { devices: number; each: number; isWhole: boolean }[];
    expect(costs.map(({ devices }) => devices)).toEqual([1, 2, 5, 30]);
    expect(costs.every(({ isWhole }) => isWhole)).toBe(true);
    expect(costs[3].each).toBeLessThan(costs[1].each);
  });

  it("says how far a number or a list may go", async () => {
    const suppliers = Array.from({ length: 7 }, (_, nth) => ({ name: `S${nth}`, offers: [] }));
    const { body } = await ask({ devices: 0, suppliers });
    expect(body.problems).toEqual([
      { path: "options.devices", message: "must be at least 1" },
      { path: "options.suppliers", message: "must be at most 6 entries" },
    ]);
  });

  it.each([
    [{ devices: 0 }, "options.devices"],
    [
      {
        suppliers: [
          { name: "A", offers: [] },
          { name: "A", offers: [] },
        ],
      },
      "options.suppliers.1.name",
    ],
    [{ suppliers: [{ name: "A", offers: [{ part: "x", steps: [] }] }] }, "options.suppliers.0.offers.0.steps"],
    [
      {
        suppliers: [
          {
            name: "A",
            offers: [
              {
                part: "x",
                steps: [
                  { from: 5, each: 1 },
                  { from: 5, each: 2 },
                ],
              },
            ],
          },
        ],
      },
      "options.suppliers.0.offers.0.steps",
    ],
    [{ suppliers: [{ name: "A", offers: [offer("x", 1), offer("x", 2)] }] }, "options.suppliers.0.offers.1.part"],
    [{ spares: { gold: { percent: 1, least: 0 } } }, "options.spares"],
    [{ suppliers: [{ name: "A", shipping: -1, offers: [] }] }, "options.suppliers.0.shipping"],
  ])("names what is wrong with %j", async (options, path) => {
    const { status, body } = await ask(options);
    expect(status).toBe(422);
    expect((body.problems as { path: string }[]).map((one) => one.path)).toContain(path);
  });
});
