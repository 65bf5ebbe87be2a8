import { unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad, pad, withDiodes } from "../../../tests/support/designs";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { addControl } from "@/core/edits/controls";
import { shareOutDirect } from "@/core/edits/wiring";
import { newDesign } from "@/core/document/newDesign";
import { POST as check } from "./check/route";
import { GET as demo } from "./demos/[id]/route";
import { GET as demos } from "./demos/route";
import { POST as exportArtifact } from "./export/[artifact]/route";
import { POST as planBrief } from "./plan/brief/route";
import { POST as planMatrix } from "./plan/matrix/route";
import { POST as planPins } from "./plan/pins/route";
import { GET as schema } from "./schema/route";
import { POST as simulate } from "./simulate/route";

const ask = (body: unknown, raw = false) =>
  new Request("http://127.0.0.1/api", { method: "POST", body: raw ? (body as string) : JSON.stringify(body) });

const rowOfPots = () =>
  [0, 1, 2, 3].reduce(
    (d, n) => addControl(d, "pot", `p${n}`, { xMm: n * 30, yMm: 0, rotationDeg: 0, boardId: "panel" }),
    newDesign("pots", "Pots"),
  );

async function answer(response: Promise<Response> | Response) {
  const settled = await response;
  return { status: settled.status, body: await settled.json() };
}

describe("what every call with a design refuses", () => {
  const calls = { check, simulate, planMatrix, planPins, planBrief };

  it.each(Object.entries(calls))("%s: what is not JSON, with 400", async (_name, call) =>
    expect((await answer(call(ask("{", true)))).status).toBe(400),
  );

  it.each(Object.entries(calls))("%s: what is too large, with 413, said or not", async (_name, call) => {
    const large = `"${"x".repeat(4 * 1024 * 1024)}"`;
    expect((await answer(call(ask(large, true)))).status).toBe(413);
    const lying = new Request("http://127.0.0.1/api", {
      method: "POST",
      body: large,
      headers: { "content-length": "10" },
    });
    expect((await answer(call(lying))).status).toBe(413);
  });

  it.each(Object.entries(calls))("%s: a bad design, with 422 and the place", async (_name, call) => {
    const design = JSON.parse(JSON.stringify(pad()));
    design.controls[2].placement.xMm = "left";
    const { status, body } = await answer(call(ask(design)));
    expect(status).toBe(422);
    expect(body.problems[0].path).toBe("controls.2.placement.xMm");
  });
});

describe("demos and schema", () => {
  it("lists the demos and gives each", async () => {
    const { body } = await answer(demos());
    expect(body.map((one: { id: string }) => one.id)).toEqual([
      "kestrel",
      "loom-64",
      "loom-64-in-two",
      "glasshouse",
      "tern",
      "reedling",
      "dunlin",
    ]);
    const one = await answer(demo(new Request("http://127.0.0.1/"), { params: Promise.resolve({ id: "kestrel" }) }));
    expect(one.body).toEqual(JSON.parse(JSON.stringify(demoDesigns[0])));
  });

  it("says which demos there are when asked for another", async () => {
    const { status, body } = await answer(
      demo(new Request("http://127.0.0.1/"), { params: Promise.resolve({ id: "moon" }) }),
    );
    expect(status).toBe(404);
    expect(body.problems[0].message).toContain("kestrel, loom-64, loom-64-in-two, glasshouse, tern, reedling, dunlin");
  });

  it("publishes a JSON Schema", async () => expect((await answer(schema())).body.properties.controls).toBeDefined());
});

describe("plan/brief", () => {
  const ask2 = (body: unknown) => answer(planBrief(ask(body)));

  it("ranks plans for a wish, the best first, with what breaks each", async () => {
    const { status, body } = await ask2({ wish: { keys: 54 } });
    expect(status).toBe(200);
    const [first] = body.options;
    expect(first).toMatchObject({ fits: true, unmet: [], beatenBy: null });
    expect(first.roomLeft.keys).toBeGreaterThan(0);
    expect(body.options.every((option: { beatenBy: string | null }) => option.beatenBy === null)).toBe(true);
  });

  it("gives all of them when asked, and reckons with own classes and prices", async () => {
    const own = { ...controllerCatalogue[0], id: "mine", title: "Mine" };
    const { body } = await ask2({ wish: { keys: 9 }, profiles: [own], prices: { mine: 0.5 }, all: true });
    expect(body.options[0].profileTitle).toBe("Mine");
    expect(body.options.some((option: { beatenBy: string | null }) => option.beatenBy !== null)).toBe(true);
  });

  it("refuses a bad wish with 422 and its place", async () => {
    const { status, body } = await ask2({ wish: { keys: -1, knobs: 3 } });
    expect(status).toBe(422);
    expect(body.problems.map(({ path }: { path: string }) => path)).toEqual(expect.arrayContaining(["wish.keys"]));
    expect((await ask2({ wish: 12 })).status).toBe(422);
  });
});

describe("check", () => {
  it("gives findings and facts", async () => {
    const { body } = await answer(check(ask(withDiodes(finishedPad(), "none"))));
    expect(body.findings[0]).toMatchObject({
      rule: "wiring/no-diode",
      severity: "warn",
      fixes: ["Fit diodes, column to row"],
    });
    expect(body.findings[0].subjects.length).toBe(4);
    expect(body.facts).toMatchObject({ controls: 11, rows: 4, columns: 3, pinsNeeded: 10, pinsUsable: 18 });
  });
});

describe("plans", () => {
  it("shares out rows and columns", async () => {
    const { body } = await answer(planMatrix(ask({ design: pad(), options: { shape: "fewest-pins" } })));
    expect(body).toMatchObject({ rows: 3, columns: 4 });
    expect(Object.keys(body.cells)).toHaveLength(10);
  });

  it("names an option that is wrong", async () => {
    const { status, body } = await answer(planMatrix(ask({ design: pad(), options: { shape: "round" } })));
    expect(status).toBe(422);
    expect(body.problems[0].path).toBe("options.shape");
  });

  it("plans by wire for a second at most, per board too, and says how near the bound it is", async () => {
    const options = { school: "wiring", shape: "as-laid-out", seconds: 1, seed: 3 };
    const { body } = await answer(planMatrix(ask({ design: pad(4, 4), options })));
    const [matrix] = body.matrices;
    expect(matrix.measures.wireMm).toBeGreaterThanOrEqual(matrix.lowerBoundMm - 1e-6);
    expect(["optimal", "gap"]).toContain(matrix.proof);
    const loom = demoDesigns[1];
    const halves = await answer(planMatrix(ask({ design: loom, options: { perBoard: true, shape: "as-laid-out" } })));
    expect(halves.body.matrices.map(({ circuitId }: { circuitId: string }) => circuitId)).toEqual([
      "matrix-A",
      "matrix-B",
    ]);
  });

  it("refuses lines that are too few for the switches", async () => {
    const { status, body } = await answer(planMatrix(ask({ design: pad(4, 4), options: { rows: 2, columns: 2 } })));
    expect(status).toBe(422);
    expect(body.problems[0].message).toContain("too few for the switches");
  });

  it("tells cost, bound and proof of a pin plan, what moved, and what clashes", async () => {
    const { body } = await answer(planPins(ask({ design: finishedPad(), options: { mode: "fewest-moves" } })));
    expect(body).toMatchObject({ proof: "optimal", moved: [], conflict: null });
    expect(body.bound).toBeCloseTo(body.cost, 6);
    const pots = { design: shareOutDirect(rowOfPots()), options: { profileId: "dual-core-3v3-26" } };
    const { conflict, unplaced } = (await answer(planPins(ask(pots)))).body;
    expect(unplaced).toHaveLength(1);
    expect(conflict.nets).toHaveLength(4);
    expect(conflict.remedies.join(" ")).toContain("Read sticks and pots through a multiplexer");
  });

  it("shares out pins, also on another class", async () => {
    const { body } = await answer(planPins(ask({ design: finishedPad(), options: { profileId: "dual-core-3v3-26" } })));
    expect(body.unplaced).toEqual([]);
    expect(Object.keys(body.assignments)).toHaveLength(10);
    expect(body.design.controllers[0].profileId).toBe("dual-core-3v3-26");
  });

  it("asks for a controller when there is none", async () =>
    expect((await answer(planPins(ask(pad())))).body.problems[0].path).toBe("controllers"));
});

describe("simulate", () => {
  it("gives timed reports in hexadecimal and the text", async () => {
    const events = [
      { atMs: 10, control: "k1", action: "press" },
      { atMs: 50, control: "k1", action: "release" },
    ];
    const { body } = await answer(simulate(ask({ design: finishedPad(), events, untilMs: 100 })));
    expect(body).toEqual({
      reports: [
        { atMs: 15, interface: "keyboard", bytes: "0000040000000000" },
        { atMs: 55, interface: "keyboard", bytes: "0000000000000000" },
      ],
      packets: [],
      polls: [],
      socket: [],
      answers: [],
      lights: [],
      text: "a",
      music: [],
      sounding: [],
      segments: {},
      displays: {},
    });
  });

  it("gives what segment displays and displays of dots show at the end, and what is played", async () => {
    const named = (id: string) => demoDesigns.find((design) => design.id === id)!;
    const run = async (id: string, events: object[]) =>
      (await answer(simulate(ask({ design: named(id), events, untilMs: 1500 })))).body;
    const { displays } = await run("kestrel", []);
    expect(displays.display).toHaveLength(64);
    // "B" of the layer's name: two bows at a stem.
    expect(displays.display.slice(0, 7).map((row: string) => row.slice(0, 6))).toEqual([
      "####..",
      "#...#.",
      "#...#.",
      "####..",
      "#...#.",
      "#...#.",
      "####..",
    ]);
    expect(Object.values((await run("glasshouse", [])).segments)).toEqual(["12.0", "-10.0"]);
    const { music, sounding } = await run("reedling", [{ atMs: 100, control: "low-c", action: "press" }]);
    expect(music).toHaveLength(1);
    expect(sounding).toHaveLength(1);
  });

  it("gives what chains of lights are sent", async () => {
    const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
    const events = [{ atMs: 10, control: "Camera", action: "press" }];
    const { body } = await answer(simulate(ask({ design: kestrel, events, untilMs: 60 })));
    // With five glows one light is worked out in a scan. At 20 % a colour of 128 is 128 × 52 / 256. Green, red, blue.
    const power = "001a00";
    expect(body.lights).toEqual([
      { atMs: 6, chain: "lights", bytes: power + "000000".repeat(5) },
      { atMs: 26, chain: "lights", bytes: power + "003300" + "000000".repeat(4) },
    ]);
  });

  it("gives what the device answers to frames of live changes, also after its power was off", async () => {
    const events = [
      { atMs: 5, action: "ask", frame: "0107" },
      { atMs: 20, action: "power-cut" },
      { atMs: 25, action: "ask", frame: "63" },
    ];
    const { body } = await answer(simulate(ask({ design: finishedPad(), events, untilMs: 50 })));
    expect(body.answers.map(({ atMs, bytes }: { atMs: number; bytes: string }) => [atMs, bytes.slice(0, 6)])).toEqual([
      [5, "010701"],
      [25, "630004"],
    ]);
  });

  it.each([
    ["an unknown control", { events: [{ atMs: 1, control: "zz", action: "press" }], untilMs: 9 }, "events.0.control"],
    ["an unknown action", { events: [{ atMs: 1, control: "k1", action: "lick" }], untilMs: 9 }, "events.0.action"],
    ["a frame that is none", { events: [{ atMs: 1, action: "ask", frame: "xyz" }], untilMs: 9 }, "events.0.frame"],
    ["no frame", { events: [{ atMs: 1, action: "ask" }], untilMs: 9 }, "events.0.frame"],
    ["no end", { events: [] }, "untilMs"],
  ])("names %s", async (_what, rest, path) => {
    const { status, body } = await answer(simulate(ask({ design: finishedPad(), ...rest })));
    expect(status).toBe(422);
    expect(body.problems[0].path).toBe(path);
  });
});

describe("export", () => {
  const get = (artifact: string) => exportArtifact(ask(finishedPad()), { params: Promise.resolve({ artifact }) });

  it("gives the artifact with its name and kind", async () => {
    const response = await get("firmware-c");
    expect(response.headers.get("content-type")).toBe("application/zip");
    expect(response.headers.get("content-disposition")).toContain("pad-firmware-c.zip");
    expect(Object.keys(unzipSync(new Uint8Array(await response.arrayBuffer())))).toContain("pad-firmware-c/Makefile");
  });

  it("says which exports there are", async () => {
    const response = await get("sculpture");
    expect(response.status).toBe(404);
    expect((await response.json()).problems[0].message).toContain("wire-list-csv");
  });
});
