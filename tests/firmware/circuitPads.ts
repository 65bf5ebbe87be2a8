import type { Circuit } from "@/core/circuits";
import type { BusDisplays } from "@/core/circuits/busDisplays";
import type { LadderCircuit } from "@/core/circuits/ladder";
import type { MultiplexerCircuit } from "@/core/circuits/multiplexer";
import type { DirectCircuit } from "@/core/circuits/direct";
import { derive } from "@/core/derived/derive";
import type { DisplayPage } from "@/core/document/displayPages";
import { addControl, changeControl } from "@/core/edits/controls";
import { setPage } from "@/core/edits/displays";
import { fillKeymap } from "@/core/edits/firstKeymap";
import { setDiodes } from "@/core/edits/matrixDiodes";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { changeCircuit, wireAs, wireAsUsual } from "@/core/edits/wiring";
import type { Design } from "@/core/document/schema";
import { keyBlock } from "../support/designs";

const isRead = (kind: string) => kind === "switch" || kind === "quadrature";
const readOf = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => isRead(kind)).map(({ id }) => id);
const lampsOf = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => kind === "lamp").map(({ id }) => id);

/** Keys, a knob and lamps that show the locks, wired as usual and then otherwise. */
function padWith(columns: number, rows: number, lamps: number): Design {
  const place = (nth: number) => ({ xMm: nth * 25, yMm: -30, rotationDeg: 0, boardId: "panel" });
  let design = addControl(keyBlock(columns, rows), "encoder", "e1", place(0));
  for (let nth = 0; nth < lamps; nth++) design = addControl(design, "lamp", `l${nth}`, place(nth + 1));
  const bound = fillKeymap(wireAsUsual(design, [...derive(design).elements.keys()]));
  // Two of the keys are locks, so that the host sets lamps.
  const { bindings } = bound.keymap.layers[0];
  const locks = { ...bindings, "k1:press": keyOf(0x39), "k2:press": keyOf(0x53) };
  const layers = [{ ...bound.keymap.layers[0], bindings: locks }];
  const shows = ["caps", "num"] as const;
  const rules = lampsOf(design).map((id, nth) => [id.split(":")[0], { when: "lock", lock: shows[nth % 2] }] as const);
  return { ...bound, keymap: { ...bound.keymap, layers, lamps: Object.fromEntries(rules) } };
}
const keyOf = (usage: number) => ({ does: "keyboard" as const, usage, modifiers: 0 });

const as = (kind: Circuit["kind"], design: Design) => wireAs(design, kind, readOf(design));
const lampsAs = (kind: Circuit["kind"], design: Design) => wireAs(design, kind, lampsOf(design));
const change = <C extends Circuit>(design: Design, kind: C["kind"], to: Partial<C>) =>
  changeCircuit<C>(design, design.circuits.find((circuit) => circuit.kind === kind)!.id, to);

/** A sounder with a tone of its own behind its transistor, and one that sounds by itself straight from its pin; a lock and a held key sound them. */
export function soundingPad(toneHz = 2400): Design {
  const place = (nth: number) => ({ xMm: nth * 25, yMm: -60, rotationDeg: 0, boardId: "panel" });
  let design = as("direct", padWith(3, 2, 1));
  design = changeControl(addControl(design, "buzzer", "tone", place(0)), "tone", { toneHz, currentMa: 30 });
  design = changeControl(addControl(design, "buzzer", "own", place(1)), "own", { ownTone: true, currentMa: 3 });
  const sounders = ["tone:sound", "own:sound"];
  const lamps = {
    ...design.keymap.lamps,
    tone: { when: "lock" as const, lock: "caps" as const },
    own: { when: "held" as const, inputId: "k3:press" },
  };
  const looks = { ...design.keymap.looks, tone: { onMs: 80, offMs: 100, times: 2, eighths: 8 } };
  return wireAs({ ...design, keymap: { ...design.keymap, lamps, looks } }, "direct", sounders);
}

export const pads: [string, Design][] = [
  ["direct to ground", as("direct", padWith(3, 2, 2))],
  ["direct to the supply", change<DirectCircuit>(as("direct", padWith(3, 2, 2)), "direct", { polarity: "to-supply" })],
  [
    "a matrix with its diodes turned round",
    setDiodes(shareOutMatrix(padWith(4, 3, 1), "as-laid-out"), "row-to-column"),
  ],
  ["a matrix without diodes", setDiodes(shareOutMatrix(padWith(4, 3, 1), "as-laid-out"), "none")],
  ["a two-way matrix", as("two-way-matrix", padWith(4, 4, 1))],
  ["input registers", as("input-registers", padWith(6, 5, 2))],
  ["multiplexers of sixteen channels", as("multiplexer", padWith(7, 4, 2))],
  [
    "multiplexers of eight",
    change<MultiplexerCircuit>(as("multiplexer", padWith(4, 4, 0)), "multiplexer", { channels: 8 }),
  ],
  ["sounders", soundingPad()],
  ["lamps on registers", lampsAs("output-registers", as("direct", padWith(3, 2, 10)))],
];

/** Lamps between line pairs take turns, so an eye sees them a few milliseconds late. */
export const linePairPad = lampsAs("charlieplex", as("direct", padWith(3, 2, 6)));

const onLadder = (design: Design) =>
  wireAs(
    design,
    "ladder",
    readOf(design).filter((id) => id.startsWith("k")),
  );

/** Three displays of one address, so that each hangs on a branch of its own, beside keys on expanders of the same bus. */
function padWithDisplays(): Design {
  const place = (nth: number) => ({ xMm: nth * 40, yMm: 150, rotationDeg: 0, boardId: "panel" });
  const ids = ["d1", "d2", "d3"];
  const keys = as("expander", padWith(4, 3, 0));
  const placed = ids.reduce(
    (d, id, nth) => changeControl(addControl(d, "display", id, place(nth)), id, { widthPx: 32, heightPx: 16 }),
    keys,
  );
  const wired = wireAs(
    placed,
    "bus-displays",
    ids.map((id) => `${id}:display`),
  );
  const alone = change<BusDisplays>(wired, "bus-displays", { ownAddresses: 1 });
  const page = (nth: number): DisplayPage => [
    { shows: "text", column: 0, row: 0, columns: 32, text: `D${nth}` },
    { shows: "value", column: 2, row: 1, columns: 30, elementId: "e1:turn", low: 0, high: 24 * (nth + 1), point: 0 },
  ];
  return ids.reduce((d, id, nth) => setPage(d, "base", id, page(nth)), alone);
}

/** What boards with a converter and a bus read besides. */
export const boardPads: [string, Design][] = [
  ["expanders", as("expander", padWith(6, 4, 2))],
  ["displays behind a bus multiplexer", padWithDisplays()],
  ["a ladder of one bank", onLadder(padWith(4, 2, 1))],
  [
    "a ladder of unequal resistors",
    change<LadderCircuit>(onLadder(padWith(4, 2, 1)), "ladder", {
      rungOhms: [680, 820, 1000, 1200, 1500, 1000, 820, 680],
    }),
  ],
  ["a ladder of three banks", change<LadderCircuit>(onLadder(padWith(4, 3, 1)), "ladder", { perBank: 4 })],
];

/** A played script without some of its lines. */
export const without = (text: string, what: RegExp) =>
  text
    .split("\n")
    .filter((line) => !what.test(line))
    .join("\n");

/** The lamps that glow at the end of each use. */
export const glowing = (text: string) =>
  text.split("end\n").map((use) => {
    const last = new Map([...use.matchAll(/lamp (\d+) ([01])/g)].map(([, lamp, on]) => [lamp, on]));
    return [...last].flatMap(([lamp, on]) => (on === "1" ? [lamp] : [])).sort();
  });
