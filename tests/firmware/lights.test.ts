import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lightsMs } from "@/core/contract/contract";
import type { Design } from "@/core/document/schema";
import { wireAs } from "@/core/edits/wiring";
import { recordScript } from "@/core/engine/script";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { contactsOf } from "./chipWiring";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { joined, playedOnChip, recorded } from "./recordedUses";
import { buildUsbHost, imageFiles, later, recordContacts, recordOnChip, toldOf } from "./usbChip";

/** A pad with every way in which lights are seen, on two chains with limits of their own. */
const pad = readExample(`key A: KeyA
light L by A
key B: nothing
light M by B
key C: hold 2
light N by C
key D: next LeftShift
key E: CapsLock
key F: awake 1
light O on another chain
light P on another chain
light Q
encoder K: clockwise KeyX, anticlockwise KeyY
knob K: top 6
layer 2: A = KeyQ
bridged M
order O: brg
chain 80 %, 2 colours, 2 lit
glow always: embers #000000 #203040 in 1500
glow layer 2: wave #102030 #ffffff in 2000 over 3, fade 150
glow next on L N Q: still #00ff00
glow lock caps on N O P: round 60 in 3000 over 2, fade 700
glow value K 3 on O Q: value K #100000 #00ff20, fade 90
glow awake on P: swell #000000 #0000ff in 1000
glow own-key on L N: still #123456, fade 80
glow own-key on L M N Q: still #ffffff, fade 300
at 0 press A`).design;
const FULL_LIGHT_MS = 0.4 * 1000;
const lines = (text: string, kind: string) => text.split("\n").filter((line) => line.includes(` ${kind} `));

describe("addressable lights in every build", () => {
  const all = joined(recorded(pad, 1000));
  const few = joined(recorded(pad, 150));
  const folder = workFolder();

  it("are told many different things on both chains, and reports come between them", () => {
    const told = lines(all.expected, "lights").map((line) => line.replace(/^\d+ /, ""));
    expect(new Set(told).size).toBeGreaterThan(1000);
    expect(new Set(told.map((line) => line.split(" ")[1]))).toEqual(new Set(["0", "1"]));
    expect(lines(all.expected, "keyboard").length).toBeGreaterThan(3000);
  });

  it.each(["gcc", "clang"] as const)("are told the same when built by %s", (compiler) =>
    expect(firstDifference(play(buildNative(compiler, pad, folder), [], all.script).output, all.expected)).toBeNull(),
  );

  it("are told the same on the simulated 8-bit core", () => {
    const { output } = play(buildSimulator(), [buildAvr(pad, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("are told the same in Python, and on a board through what is left to its builder", async () => {
    const design = onPythonClass(pad);
    const some = joined(recorded(design, 150));
    expect(firstDifference(playPython(await barePython(design), some.script).output, some.expected)).toBeNull();
    const uses = Array.from({ length: 20 }, (_, seed) =>
      recordContacts(design, later(randomUse(design, seed + 1, []))),
    );
    const onIt = joined(uses);
    expect(firstDifference(onBoard(design, await unpackPython(design), onIt.script).output, onIt.expected)).toBeNull();
  });
});

/** As many lights as there can be on as many chains, with as many glows: a picture takes longer than a byte counts milliseconds. */
const crowd = (() => {
  const { design } = readExample(`key A: KeyA
key B: hold 2
encoder K: clockwise KeyX, anticlockwise KeyY
lights 248
glow always: wave #000000 #0000ff in 9000 over 40
glow always on L1 L9 L17 L200 L248: still #102030
glow layer 2: still #404040, fade 900
glow value K 1 on L5 L90 L91: value K #100000 #00ff20
glow held A on L12: still #ffffff, fade 500
glow always on L30 L31 L32 L33: embers #000000 #ff0000 in 2000
glow next on L100: still #00ff00
glow always on L60 L61 L62: round 40 in 5000 over 3
at 0 press A`);
  const [chain] = design.circuits.flatMap((circuit) => (circuit.kind === "light-chain" ? [circuit] : []));
  const chains = Array.from({ length: 8 }, (_, nth) => ({
    ...chain,
    id: `chain${nth}`,
    brightnessPercent: 100 - nth,
    members: chain.members.slice(31 * nth, 31 * (nth + 1)),
  }));
  return { ...design, circuits: [...design.circuits.filter((one) => one !== chain), ...chains] };
})();

describe("248 lights on eight chains with eight glows", () => {
  // A picture of so many takes a quarter of a second.
  const runs = Array.from({ length: 12 }, (_, seed) => {
    const use = randomUse(crowd, seed + 1, []);
    const run = recordScript(crowd, { ...use, untilMs: use.untilMs + 1500 });
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return run.value;
  });

  it("are told the same in C and in Python", async () => {
    const { script, expected } = joined(runs);
    expect(lines(expected, "lights").length).toBeGreaterThan(12 * 30);
    expect(firstDifference(play(buildNative("gcc", crowd, workFolder()), [], script).output, expected)).toBeNull();
    expect(firstDifference(playPython(await barePython(crowd), script).output, expected)).toBeNull();
  });

  it("are sent chain after chain, and none waits for ever", () => {
    const told = toldIn(crowd, [], 2000).map(({ chain }) => chain);
    expect(told.length).toBeGreaterThan(40);
    told.forEach((chain, nth) => expect(chain).toBe(nth % 8));
  });
});

/** The pad as the chip can run it: on its pins, with a matrix, and with no more reports than its endpoints. */
function onChip(design: Design): Design {
  const interfaces = design.reportSet.interfaces.filter((kind) => kind !== "consumer");
  const keys = design.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
  return onSmallClass({ ...wireAs(design, "matrix", keys), reportSet: { ...design.reportSet, interfaces } });
}

describe("addressable lights on the pins of the simulated chip", () => {
  it("are told the same, every bit within the times that lights of the trade take", () => {
    const design = onChip(pad);
    const { output, expected } = playedOnChip(design, 80);
    expect(lines(expected, "lights").length).toBeGreaterThan(500);
    expect(firstDifference(output, expected)).toBeNull();
  });

  /** Sixty lights that never rest, and a knob that is turned as fast as four times a second meanwhile. */
  const many = onChip(
    readExample(`key A: KeyA
encoder K: clockwise KeyX, anticlockwise KeyY
lights 60
glow always: wave #000000 #ffffff in 1000 over 16
at 0 press A`).design,
  );

  it("are sent in the time that is stated, sixty of them", () => {
    const { script, expected } = recordOnChip(many, { events: [], untilMs: 1000 });
    const { output, notes } = play(buildUsbHost(), imageFiles(many, workFolder()), script);
    expect(firstDifference(output, expected)).toBeNull();
    const cycles = toldOf(notes, "lights");
    console.log(`60 lights take ${cycles} cycles`);
    expect(cycles).toBeGreaterThan(28_800 - 20);
    expect(cycles).toBeLessThan(16_000 * lightsMs(60));
  });

  it.each([
    ["a calm hand", 4],
    ["forty turns a second", 40],
  ])(
    "lose no step of a knob that turns meanwhile, and no pause is long enough to be taken for the end: %s",
    async (_, turns) => {
      const chip = new ChipTalk(buildUsbHost(), imageFiles(many, workFolder()));
      const numbers = new Map(contactsOf(many).map((contact, number) => [contact, number]));
      const [a, b] = ["A", "B"].map((end) => numbers.get(`K:turn/${end}`)!);
      const stateCycles = Math.round(16e6 / (turns * 24 * 4));
      try {
        for (const [steps, usage] of [
          [60, "1b"],
          [-60, "1c"],
        ] as const) {
          const during = await chip.order(`turn ${a} ${b} ${4 * steps} ${stateCycles}`);
          const all = [...during, ...(await chip.pass(1500))];
          const pressed = all.filter((line) => line.endsWith(`keyboard 0000${usage}0000000000`));
          expect(pressed).toHaveLength(60);
          expect(lines(all.join("\n"), "lights").length).toBeGreaterThan(20);
        }
        const pause = Number((await chip.order("pause"))[0]);
        console.log(`${turns} turns a second: the longest pause between two bits is ${pause} cycles`);
        // An interrupt came between two bits; some lights take a pause of 9 us for the end.
        expect(pause).toBeGreaterThan(20);
        expect(pause).toBeLessThanOrEqual(144);
      } finally {
        chip.end();
      }
    },
  );

  it("take no more of a scan in which they are worked out than a scan has", () => {
    const { notes } = play(
      buildUsbHost(),
      imageFiles(onChip(pad), workFolder()),
      recordOnChip(onChip(pad), later(randomUse(onChip(pad), 7, []))).script,
    );
    expect(toldOf(notes, "most")).toBeLessThan(16_000);
  });
});

/** Bytes by chain and light as they were told in a run. */
function toldIn(design: Design, events: SimulationEvent[], untilMs: number) {
  const told: { atMs: number; chain: number; lights: number[][] }[] = [];
  simulate(
    design,
    { events, untilMs },
    {
      lights: (atMs, chain, bytes) =>
        told.push({
          atMs,
          chain,
          lights: Array.from({ length: bytes.length / 3 }, (_, nth) => [...bytes.slice(3 * nth, 3 * nth + 3)]),
        }),
    },
  );
  return told;
}

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, "0")}`);
const shown = fc.oneof(
  hex.map((a) => `still ${a}`),
  fc.tuple(hex, hex).map(([a, b]) => `swell ${a} ${b} in 1000`),
  fc.tuple(hex, hex).map(([a, b]) => `wave ${a} ${b} in 1000 over 3`),
  fc.tuple(hex, hex).map(([a, b]) => `embers ${a} ${b} in 1000`),
  fc.integer({ min: 1, max: 100 }).map((percent) => `round ${percent} in 1000 over 4`),
);
const when = fc.constantFrom("always", "held A", "own-key", "layer 2", "lock caps");
const glow = fc
  .tuple(when, shown, fc.integer({ min: 0, max: 500 }))
  .map(([seen, what, fade]) => `glow ${seen}: ${what}, fade ${fade}`);

describe("the limits of a chain", () => {
  it("are never passed, whatever is shown", () => {
    const limits = fc.record({
      percent: fc.integer({ min: 1, max: 100 }),
      colours: fc.constantFrom(1, 2, 3),
      lit: fc.integer({ min: 1, max: 5 }),
    });
    const law = fc.property(
      fc.array(glow, { minLength: 1, maxLength: 8 }),
      limits,
      (glows, { percent, colours, lit }) => {
        const { design } = readExample(
          `key A: KeyA\nlight L by A\nkey C: CapsLock\nkey H: hold 2\nlights 3\nchain ${percent} %, ${colours} colours, ${lit} lit\n${glows.join("\n")}\nat 0 press A`,
        );
        const press = (control: string, atMs: number): SimulationEvent[] => [
          { atMs, control, action: "press" },
          { atMs: atMs + 90, control, action: "release" },
        ];
        const told = toldIn(design, [...press("A", 30), ...press("C", 60), ...press("H", 100)], FULL_LIGHT_MS);
        const most = Math.floor((255 * percent) / 100);
        for (const { lights } of told) {
          expect(lights.filter((bytes) => bytes.some((byte) => byte > 0)).length).toBeLessThanOrEqual(lit);
          for (const bytes of lights) {
            expect(Math.max(...bytes)).toBeLessThanOrEqual(most);
            // Two halves of mixing may each be rounded down, never up.
            expect(bytes[0] + bytes[1] + bytes[2]).toBeLessThanOrEqual(most * colours + colours);
          }
        }
        expect(told.length).toBeGreaterThan(0);
      },
    );
    fc.assert(law, { numRuns: 150 });
  });
});

describe("what fades", () => {
  it("is there to its last part", () => {
    const { design } = readExample(
      "key A: nothing\nlight P\nglow always: still #ff0000\nglow held A: still #000000, fade 40\nat 0 press A",
    );
    const events: SimulationEvent[] = [
      { atMs: 30, control: "A", action: "press" },
      { atMs: 70, control: "A", action: "release" },
    ];
    // In 40 ms 255 parts: 127 in each picture of 20 ms, so 128, then 1, then none are left.
    const red = toldIn(design, events, 200).map(({ atMs, lights: [[, level]] }) => [atMs, level]);
    expect(red).toEqual([
      [1, 255],
      [41, 0],
      [81, (255 * 127) >> 8],
      [101, 254],
      [121, 255],
    ]);
  });
});

describe("lights are sent", () => {
  const press = (control: string, atMs: number, ms: number): SimulationEvent[] => [
    { atMs, control, action: "press" },
    { atMs: atMs + ms, control, action: "release" },
  ];

  it("once when nothing changes, and never where there are none", () => {
    const still = readExample("key A: KeyA\nlights 5\nglow always: still #102030\nat 0 press A").design;
    expect(toldIn(still, press("A", 100, 50), 2000)).toHaveLength(1);
    const none = readExample("key A: KeyA\nat 0 press A").design;
    expect(toldIn(none, press("A", 100, 50), 500)).toEqual([]);
  });

  it("dark where no glow says anything, so that none stays lit by chance", () => {
    const silent = readExample("key A: KeyA\nlights 2\nat 0 press A").design;
    expect(toldIn(silent, [], 500)).toEqual([
      {
        atMs: 1,
        chain: 0,
        lights: [
          [0, 0, 0],
          [0, 0, 0],
        ],
      },
    ]);
  });

  it("dark by a glow that follows what is gone", () => {
    const { design } = readExample(
      "key A: KeyA\nlight P\nglow layer 2: still #ffffff\nglow held A: still #ffffff\nat 0 press A",
    );
    const [first, second] = design.keymap.glows!;
    const gone = {
      ...design.keymap,
      glows: [
        { ...first, when: { when: "layer" as const, layerId: "toString" } },
        { ...second, when: { when: "held" as const, inputId: "constructor" } },
      ],
    };
    expect(toldIn({ ...design, keymap: gone }, press("A", 50, 100), 400)).toHaveLength(1);
  });
});
