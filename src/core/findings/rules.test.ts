import type { DisplayPage, PageThing } from "../document/displayPages";
import { setPage } from "../edits/displays";
import type { Glow } from "../document/glows";
import { addTogether } from "../edits/keyRules";
import { addMacro, changeMacro } from "../edits/macros";
import { placeChip } from "../edits/chips";
import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns } from "../../../demo";
import { farBoard } from "../../../tests/support/twoParts";
import { finishedPad, keyBlock, pad } from "../../../tests/support/designs";
import { emptyBrief, noWish } from "../document/wish";
import type { Control } from "../catalogue/kinds";
import { partCatalogue } from "../catalogue/parts";
import { chooseCase } from "../edits/caseEdits";
import { setBoardWay } from "../edits/build";
import { takeAsTasks, writeEntry } from "../edits/journal";
import { addBoard, addLink, changeBoard } from "../edits/boards";
import { changeWish } from "../edits/wish";
import { addControl, changeControl, placeControls } from "../edits/controls";
import { setAxis, setAxisUse } from "../edits/axes";
import { type PadPortSettings, usualTimes } from "../hid/padPortSettings";
import type { MusicOut } from "../circuits/musicOut";
import { type PacketSettings, usualPacket } from "../hid/packetSettings";
import { setInterfaces, setPacket, setPad, setPadPort } from "../edits/reportSet";
import type { AxisSettings } from "../document/axes";
import type { InterfaceKind } from "../hid/interfaceKinds";
import { addLayer, bind } from "../edits/keymap";
import { usualKnob } from "../document/knobs";
import type { SegmentShow } from "../document/segmentShows";
import { setSegmentShow } from "../edits/segments";
import { chooseController, freePin, moveController, movePin } from "../edits/pins";
import { placeBlock } from "../edits/placeBlock";
import { changeCircuit, setCell, shareOutDirect, unwire, wireAs, wireNew } from "../edits/wiring";
import { setBus } from "../edits/buses";
import { setDiodes, setOwnDiode, setReversed } from "../edits/matrixDiodes";
import { controllerCatalogue } from "../catalogue/controllers";
import type { Circuit } from "../circuits";
import type { BusDisplays } from "../circuits/busDisplays";
import type { TwoWayMatrix } from "../circuits/twoWayMatrix";
import type { ExpanderCircuit } from "../circuits/expander";
import { usualSupply } from "../document/supplySettings";
import type { LightChain } from "../circuits/lightChain";
import type { LadderCircuit } from "../circuits/ladder";
import type { MatrixCircuit } from "../circuits/matrix";
import { derive } from "../derived/derive";
import { onHalf } from "../derived/halves";
import { changePartLink, ownControllerFor, removePartLink, serveFrom } from "../edits/controllers";
import { supplyAt } from "../power/solveSupply";
import { newDesign } from "../document/newDesign";
import { usualMaking } from "../document/makingSettings";
import type { Design } from "../document/schema";
import { factsOf } from "./facts";
import { findingsOf } from "./check";
import { rules } from "./registry";

const of = (design: Design, rule: string) => findingsOf(design).filter((finding) => finding.rule === rule);
const sentence = (design: Design, rule: string) => of(design, rule)[0]?.message;
const move = (design: Design, id: string, xMm: number, yMm: number, rotationDeg = 0) =>
  placeControls(design, new Map([[id, { xMm, yMm, rotationDeg }]]));
const done = finishedPad();
const loom = demoDesigns.find(({ name }) => name.startsWith("Loom"))!;
const linked = (change: (design: Design) => Design) =>
  change(
    ownControllerFor(
      loom,
      loom.boards.find(({ id }) => id !== loom.controllers[0].placement.boardId)!.id,
      loom.controllers[0].profileId,
    ),
  );
const base = (design: Design, input: string, binding: Parameters<typeof bind>[3]) =>
  bind(design, "base", input, binding);

function manyKeys(count: number): Design {
  let n = 0;
  return placeBlock(newDesign("many", "Many"), count, 1, { xMm: 0, yMm: 0 }, () => `m${(n += 1)}`);
}

const [dunlin] = modularDesigns;
/** A display on the bus of modules, at this address. */
function besideModules(firstAddress: number): Design {
  const placed = addControl(dunlin, "display", "glass", { xMm: 0, yMm: -40, rotationDeg: 0, boardId: "panel" });
  const wired = wireAs(placed, "bus-displays", ["glass:display"]);
  return changeCircuit<BusDisplays>(wired, wired.circuits.at(-1)!.id, { firstAddress });
}
/** A module with eight knobs more, and a panel that all are told of. */
function muchToTell(): Design {
  const knobs = Array.from({ length: 8 }, (_, nth) => `knob-${nth}`);
  const placed = knobs.reduce(
    (d, id, nth) => addControl(d, "encoder", id, { xMm: 300, yMm: 30 * nth, rotationDeg: 0, boardId: "jog" }),
    declared(dunlin, "panel"),
  );
  const wired = wireNew(
    placed,
    "direct",
    knobs.map((id) => `${id}:turn`),
  );
  return serveFrom(wired, wired.circuits.at(-1)!.id, "controller-2");
}

const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
/** Kestrel, its first axis read in another way. */
const axed = (change: Partial<AxisSettings>): Design =>
  setAxis(kestrel, "slew:x", { ...kestrel.keymap.axes!["slew:x"], ...change });
const rested = (design: Design): Design =>
  changeControl(design, "slew", {
    rests: [
      { x: 0.46, y: 0.5 },
      { x: 0.5, y: 0.5 },
    ],
  } as Partial<Control>);
const twoTones = shareOutDirect(
  [0, 1].reduce(
    (d, nth) => addControl(d, "buzzer", `b${nth}`, { xMm: 200, yMm: 30 * nth, rotationDeg: 0, boardId: "panel" }),
    done,
  ),
);
const idle = {
  ...kestrel,
  keymap: { ...kestrel.keymap, layers: kestrel.keymap.layers.map((layer) => ({ ...layer, axes: {} })) },
};
function declared(design: Design, kind: InterfaceKind): Design {
  return {
    ...design,
    reportSet: { ...design.reportSet, interfaces: [...design.reportSet.interfaces, kind] },
  };
}

/** A segment display of four digits that shows this. */
/** A display with a page, or none. */
const paged = (page: DisplayPage | null) =>
  setPage(
    addControl(done, "display", "c0", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" }),
    "base",
    "c0",
    page,
  );
const text = (change: object): PageThing => ({ shows: "text", column: 0, row: 0, columns: 60, text: "Up", ...change });
const figures = (show: SegmentShow | null): Design =>
  setSegmentShow(
    changeControl(addControl(done, "segments", "c0", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" }), "c0", {
      label: "c0",
    }),
    "base",
    "c0",
    show,
  );

/** Keys in a row that play these notes. */
const playing = (notes: number[]): Design =>
  notes.reduce<Design>(
    (d, note, n) => bind(d, "base", `c${n}:press`, { does: "note", note, velocity: 96, channel: 0 }),
    declared(
      notes.reduce<Design>(
        (d, _, n) =>
          changeControl(
            addControl(d, "key", `c${n}`, { xMm: n * 20, yMm: 0, rotationDeg: 0, boardId: "panel" }),
            `c${n}`,
            {
              label: `c${n}`,
            },
          ),
        newDesign("row", "Row"),
      ),
      "music",
    ),
  );

const corner = (xMm: number, yMm: number) => ({ xMm, yMm });

function add(design: Design, kind: Control["kind"], at: { xMm: number; yMm: number }, fields: object = {}): Design {
  const placed = addControl(design, kind, "added", { ...at, rotationDeg: 0, boardId: "panel" });
  return changeControl(placed, "added", fields);
}

const directPlan = {
  profileId: "small-5v-18",
  switchStrategy: "direct",
  lampStrategy: "direct",
  voltageStrategy: "direct",
  turnStrategy: "direct",
};

/** So many controls of a kind in a row, named c0, c1 …, alone on the mat. */
const rowOf = (kind: Control["kind"], count: number, profileId: string): Design =>
  chooseController(
    Array.from({ length: count }, (_, n) => n).reduce(
      (d, n) => addControl(d, kind, `c${n}`, { xMm: n * 30, yMm: 0, rotationDeg: 0, boardId: "panel" }),
      newDesign("row", "Row"),
    ),
    profileId,
  );
const idsOf = (design: Design) => [...derive(design).elements.keys()];
const all = (design: Design, ...kinds: Circuit["kind"][]) =>
  kinds.reduce((d, kind) => wireAs(d, kind, idsOf(d)), design);
const withDisplay = (design: Design): Design =>
  addControl(design, "display", "d1", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" });

const weakLogic = {
  ...done,
  profiles: [{ ...controllerCatalogue.find(({ id }) => id === "small-5v-18")!, inputLowMaxV: 0.3 }],
};
const chordless = setDiodes(done, "none");
const chorded = changeCircuit<MatrixCircuit>(chordless, "matrix", { chords: [["k1:press", "k2:press", "k4:press"]] });
/** A pad with a radio, whose packet is as usual but for this. */
const sending = (change: Partial<PacketSettings>) => {
  const radio = addControl(done, "radio", "r1", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" });
  return setPacket(wireAs(radio, "spi-radio", ["r1:radio"]), { ...usualPacket, ...change });
};
/** A pad on a console's port, whose table is as usual but for this. */
const plugged = (change: Partial<PadPortSettings>) => {
  const port = addControl(done, "pad-port", "p1", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" });
  const bits = ["k1:press", "k2:press", "k3:press", "k4:press"];
  return setPadPort(wireAs(port, "pad-port", ["p1:port"]), { ...usualTimes, bits, ...change });
};
/** So many sockets for music on a class, through these resistors. */
const socketed = (sockets: number, profileId: string, change: Partial<MusicOut> = {}) =>
  changeCircuit<MusicOut>(all(rowOf("music-socket", sockets, profileId), "music-out"), "music", change);
const display = all(rowOf("display", 1, "dual-core-3v3-26"), "bus-displays");
const lights = all(rowOf("light", 36, "small-5v-18"), "light-chain");
/** A knob whose pads nobody has chosen, beside a display and a chain of lights that takes two milliseconds. */
const knobWithLights = ((): Design => {
  const kinds = ["encoder", "display", ...Array.from({ length: 60 }, () => "light")] as Control["kind"][];
  const placed = kinds.reduce(
    (d, kind, n) => addControl(d, kind, `c${n}`, { xMm: n * 30, yMm: 0, rotationDeg: 0, boardId: "panel" }),
    chooseController(newDesign("knob", "Knob"), "small-5v-18"),
  );
  const wired = (["light-chain", "bus-displays", "direct"] as const).reduce((d, kind) => all(d, kind), placed);
  return changeWish(wired, { turnsPerSecond: 3.5 });
})();
const manyLights = { ...lights, wires: { ...lights.wires, supplyMm2: 0.08 } };
const knobBehind = wireAs(done, "multiplexer", ["e1:turn"]);

const smallClass = controllerCatalogue.find(({ id }) => id === "small-5v-18")!;
const matrixCells = (design: Design) =>
  design.circuits.find((circuit): circuit is MatrixCircuit => circuit.kind === "matrix")!.cells;

/** Six switches whose lines form one ring: no three of them are corners of a rectangle. */
const ringOfSix = setDiodes(
  [
    [0, 0],
    [0, 1],
    [1, 1],
    [1, 2],
    [2, 2],
    [2, 0],
  ].reduce((d, [row, column], nth) => setCell(d, `m${nth + 1}:press`, { row, column }), manyKeys(6)),
  "none",
);
const sameCrossing = changeCircuit<TwoWayMatrix>(all(manyKeys(2), "two-way-matrix"), "two-way", {
  cells: {
    "m1:press": { row: 0, column: 0, direction: "column-to-row" },
    "m2:press": { row: 0, column: 0, direction: "column-to-row" },
  },
});
const lampsOf = (count: number, currentMa: number): Design =>
  Array.from({ length: count }, (_, nth) => `c${nth}`).reduce(
    (d, id) => changeControl(d, id, { currentMa }),
    rowOf("lamp", count, "small-5v-18"),
  );
const twoDisplays = changeCircuit<BusDisplays>(
  wireNew(all(rowOf("display", 2, "dual-core-3v3-26"), "bus-displays"), "bus-displays", ["c1:display"]),
  "displays-2",
  { bus: 1 },
);
const busPins = (line: string) =>
  controllerCatalogue
    .find(({ id }) => id === "dual-core-3v3-26")!
    .pins.filter(({ buses }) => buses.some((role) => role.bus === "i2c" && role.instance === 0 && role.line === line))
    .map(({ name }) => name);
const twoBuses = ["SCL", "SDA"].reduce((d, line) => {
  const [first, second] = busPins(line);
  return movePin(movePin(d, `i2c0.${line}`, first), `i2c1.${line}`, second);
}, twoDisplays);
const bootClass = controllerCatalogue.find(({ pins }) => pins.some(({ boot, reserved }) => boot && !reserved))!;
const startUp = movePin(shareOutDirect(rowOf("key", 1, bootClass.id)), "c0:press", "P0");
const apart = ["k3", "k6", "k9"].reduce<Design>(
  (d, id) => ({
    ...d,
    controls: d.controls.map((c) => (c.id === id ? { ...c, placement: { ...c.placement, boardId: "right" } } : c)),
  }),
  addBoard(done, "right", "Right", "half"),
);

const drawnEdge = (...corners: [number, number][]): Design => ({
  ...done,
  boards: done.boards.map((board) => ({
    ...board,
    cornerRadiusMm: 0,
    outline: corners.map(([xMm, yMm]) => ({ xMm, yMm })),
  })),
});
const outsideModule: Design = {
  ...drawnEdge([-30, -30], [90, -30], [90, 90], [-30, 90]),
  controllers: done.controllers.map((c) => ({ ...c, side: "under", placement: { ...c.placement, xMm: 300 } })),
};

/** Each rule with a design it must speak on, and a sentence that it must say. */
const glow: Glow = {
  id: "g",
  lights: null,
  when: { when: "always" },
  shows: { how: "still", colour: "#400000" },
  fadeMs: 0,
};
function litUp(keymap: Partial<Design["keymap"]>): Design {
  const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
  return { ...kestrel, keymap: { ...kestrel.keymap, ...keymap } };
}

const cases: [rule: string, design: Design, words: RegExp][] = [
  ["layout/overlap", move(done, "k2", 10, 0), /^K1 and K2 overlap: their caps are 8\.10 mm into each other\.$/],
  ["layout/overlap", move(done, "k2", 18.6, 9, 45), /K1 and K2 overlap/],
  ["layout/too-close", move(done, "k2", 18.4, 0), /^K1 and K2 are 0\.30 mm apart; leave 0\.5 mm\.$/],
  [
    "layout/controller-overlap",
    moveController(done, { xMm: 19, yMm: 19 }),
    /^The controller lies on K2, K5 and K8: move it aside or under the board/,
  ],
  ["layout/same-label", changeControl(done, "k2", { label: "K1" }), /^2 parts are called K1\.$/],
  ["wiring/unwired", unwire(done, ["k1:press", "l1:lamp"]), /^K1 and L1 are not wired to anything\.$/],
  [
    "wiring/wired-twice",
    {
      ...done,
      circuits: done.circuits.map((c) => (c.kind === "direct" ? { ...c, members: [...c.members, "k1:press"] } : c)),
    },
    /^K1 is wired 2 times: in Matrix and Direct\.$/,
  ],
  ["wiring/duplicate-cell", setCell(done, "k1:press", { row: 2, column: 1 }), /^K1 and K5 share the cell R3 C2/],
  ["wiring/lone-key", setCell(done, "k1:press", { row: 9, column: 9 }), /^K1 is alone on R10 and on C10/],
  [
    "wiring/no-diode",
    setDiodes(done, "none"),
    /^Matrix has no diodes: pressing .* will also report .* \(\d+ combinations of this sort\)\.$/,
  ],
  ["wiring/no-diode", setOwnDiode(done, ["k5:press"], false), /^Row 3 has no diode on K5: pressing/],
  ["pins/no-controller", pad(), /^No controller is chosen yet/],
  [
    "pins/no-controller",
    chooseController(
      {
        ...pad(),
        controllers: [
          { id: "c", profileId: "lost", placement: { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "panel" }, side: "top" },
        ],
      },
      "none",
    ),
    /"lost" is not in the catalogue/,
  ],
  [
    "pins/too-few",
    chooseController(shareOutDirect(pad(5, 3)), "thumb-3v3-11"),
    /^8 pins too few: 19 nets need pins, the Thumb-size 3\.3 V board, 11 I\/O has 11\.$/,
  ],
  ["pins/without-pin", freePin(done, "matrix.R1"), /^1 net without a pin: R1\.$/],
  [
    "pins/reserved",
    movePin(done, "matrix.R1", "P17"),
    /^R1 is on P17, but the board needs that pin itself: it drives the board's receive light\.$/,
  ],
  ["pins/incapable", movePin(done, "matrix.R1", "X9"), /^R1 is on X9, which is not a pin of this controller\.$/],
  [
    "pins/shared",
    { ...done, pinPlan: { ...done.pinPlan, "matrix.R1": done.pinPlan["matrix.C1"] } },
    /^R1 and C1 are all on P\d+/,
  ],
  [
    "wiring/fast-encoder",
    movePin(changeControl(done, "e1", { stepsPerTurn: 100 }), "e1:turn/A", "P18"),
    /^E1 makes 400 states a turn; read once a millisecond it keeps up to 2\.5 turns a second, and the brief wishes 4\. Put both its lines on pads that interrupt\.$/,
  ],
  [
    "wiring/fast-encoder",
    changeControl(chooseController(done, "large-5v-70"), "e1", { stepsPerTurn: 100 }),
    /^E1 makes 400 states a turn; .* Take one of fewer steps\.$/,
  ],
  [
    "circuits/slow-ladder",
    all(keyBlock(14, 10), "ladder"),
    /^Converting the \d+ banks of .* takes \d,\d{3} µs: a scan comes every \d ms only\. \d banks fit a millisecond;/,
  ],
  [
    "wiring/interpreted-encoder",
    changeControl(chooseController(done, "dual-core-3v3-26"), "e1", { stepsPerTurn: 30 }),
    /^In Python E1 would be read every 1\.\d to \d\.\d ms: sure up to somewhere between \d\.\d and \d\.\d turns a second, and the brief wishes 4\. A compiled project reads every millisecond\.$/,
  ],
  ["brief/wish-unmet", changeWish(done, { firmware: "interpreted" }), /^The Small .* runs no interpreted firmware\.$/],
  [
    "brief/wish-unmet",
    changeWish(move(done, "k9", 150, 40), { fits100: true }),
    /^Panel is \d+ × \d+ mm; the brief wishes 100 × 100\.$/,
  ],
  [
    "brief/wish-unmet",
    changeWish(done, { connection: "usb-midi" }),
    /^The brief wishes a music device; the device declares no music\.$/,
  ],
  ["brief/wish-unmet", changeWish(chooseController(done, "large-5v-70"), {}), /is no USB device/],
  [
    "circuits/lamp-current",
    changeControl(done, "l1", { currentMa: 25 }),
    /^L1 takes 25 mA; a pin of the Small 5 V USB board, 18 I\/O gives 20 mA at most\.$/,
  ],
  ["keymap/unbound", done, /^E1 turned clockwise, E1 turned anticlockwise and E1 push do nothing on any layer\.$/],
  [
    "keymap/bound-twice",
    base(done, "k2:press", { does: "keyboard", usage: 4, modifiers: 0 }),
    /^K1 and K2 both do A on Base\.$/,
  ],
  [
    "keymap/open-opposites",
    base(base(done, "k1:press", { does: "keyboard", usage: 0x4f, modifiers: 0 }), "k2:press", {
      does: "keyboard",
      usage: 0x50,
      modifiers: 0,
    }),
    /^K1 and K2 are opposite directions/,
  ],
  [
    "keymap/late-tap",
    base(done, "k1:press", {
      does: "two-jobs",
      tap: { does: "keyboard", usage: 4, modifiers: 0 },
      hold: { does: "keyboard", usage: 0xe0, modifiers: 0 },
      school: "press",
      deadlineMs: 180,
      quickMs: 0,
    }),
    /^K1 types about 100 ms later than a plain key; rolled onto the next key/,
  ],
  [
    "keymap/held-own-key",
    bind(base(addLayer(done, "up", "Up"), "k1:press", { does: "hold-layer", layerId: "up" }), "up", "k1:press", {
      does: "nothing",
    }),
    /^K1 is bound on Up, and is held there/,
  ],
  [
    "keymap/together-in-words",
    bind(
      addTogether({ ...done, reach: { ...done.reach, sample: "abba" } }, "ab", ["k1:press", "k2:press"]),
      "base",
      "ab:together",
      { does: "nothing" },
    ),
    /^K1 and K2 stand side by side 2 times in the sample text of 4 signs/,
  ],
  [
    "keymap/untyped-text",
    changeMacro(addMacro(done, "m", "M"), "m", { steps: [{ step: "text", text: "é" }] }),
    /^M types é, for which English, United States has no keys/,
  ],
  [
    "keymap/macro-leaves-down",
    changeMacro(addMacro(done, "m", "M"), "m", { steps: [{ step: "press", usage: 4, modifiers: 0 }] }),
    /^M presses A and lets go only at its end\.$/,
  ],
  ["keymap/unreachable-layer", addLayer(done, "up", "Up"), /^No key leads to Up/],
  [
    "keymap/no-way-back",
    base(addLayer(done, "up", "Up"), "k1:press", { does: "stay-layer", layerId: "up" }),
    /^K1 leads to Up for good: no key there leads back\.$/,
  ],
  [
    "reports/missing-interface",
    { ...done, reportSet: { ...done.reportSet, interfaces: ["consumer"] } },
    /would report on "Keyboard, boot layout", which the device does not declare\.$/,
  ],
  [
    "layout/openings-meet",
    add(done, "lamp", { xMm: 8.5, yMm: 0 }),
    /^The openings of K1 and L2 run \d\.\d mm into each other\.$/,
  ],
  [
    "layout/thin-wall",
    add(done, "fixing", { xMm: 9.2, yMm: 0 }),
    /^Between K1 and H1 the plate keeps 1\.1 mm; printed wants 1\.6 mm\.$/,
  ],
  [
    "layout/no-stabiliser",
    changeControl(changeControl(done, "k9", { widthU: 2 }), "k9", { stabiliser: false }),
    /^K9 is 2 units or longer without a stabiliser\.$/,
  ],
  [
    "layout/stabiliser-room",
    move(changeControl(done, "k9", { widthU: 2 }), "k9", 57.15, 19.05),
    /^K9's stabiliser has no room: K6 is \d\.\d mm in its way\.$/,
  ],
  [
    "layout/keep-out",
    add(done, "fixing", { xMm: 8.5, yMm: 0 }),
    /^Behind the plate K1 and H1 are .* into each other\.$/,
  ],
  ["layout/hand-room", add(done, "toggle", { xMm: 0, yMm: 15.5 + 38.1 }), /^K7 stands \d\.\d mm in the swing of T1\.$/],
  ["layout/plug-room", moveController(done, { xMm: 19, yMm: 72 }), /K8 is in the way of the plug, which needs 25 mm/],
  [
    "layout/outside-outline",
    changeBoard(done, "panel", { outline: [corner(-20, -50), corner(80, -50), corner(80, 30), corner(-20, 30)] }),
    /^K7, K8 and K9 lie across the drawn outline of Panel\.$/,
  ],
  [
    "layout/plate-thickness",
    changeBoard(done, "panel", { plate: { material: "printed", thicknessMm: 3 } }),
    /^Panel: the plate is 3 mm, but the cross-stem full-height switch wants 1\.4 to 1\.6 mm \(9 parts\)\.$/,
  ],
  [
    "layout/plate-bends",
    { ...keyBlock(8, 4), making: { ...usualMaking, reinforceMm: 0 } },
    /^Under a press on K\d+ the printed plate of Panel \(1\.5 mm, \d+ mm free\) bends about \d\.\d mm/,
  ],
  [
    "layout/standoff-through-module",
    moveController(add(done, "fixing", { xMm: 100, yMm: 62 }, {}), {
      xMm: 100,
      yMm: 60,
      rotationDeg: 30,
      side: "under",
    }),
    /^H1 goes through the controller under the board: move it beside it, or the controller\.$/,
  ],
  [
    "layout/controller-covers",
    moveController(done, { xMm: 19, yMm: 19, side: "under" }),
    /^Under the board the controller covers .*: solder and test them first, then fit the module on sockets\.$/,
  ],
  [
    "make/steps-loop",
    setBoardWay(moveController(done, { xMm: 19, yMm: 19, side: "under" }), "panel", { way: "made-board" }),
    /^No order fits: “Solder A1: .*” before “Press in 9 ×: .*, which covers pad P17 of A1 and .*\.$/,
  ],
  [
    "journal/open-task",
    takeAsTasks(
      writeEntry(done, {
        id: "far",
        at: "2026-03-01T10:00:00Z",
        kind: "regret",
        text: "Stop is too far away.",
        parts: ["k1"],
      }),
      "first",
      new Map([["far", "layout"]]),
    ),
    /^For this revision: Stop is too far away\.$/,
  ],
  [
    "make/case-fits",
    chooseCase(done, "printed"),
    /^The plate of Panel lies on the wall and nothing holds it down: add standoffs in Layout, or glue it in\.$/,
  ],
  [
    "layout/stick-posts",
    {
      ...add(done, "stick", { xMm: 100, yMm: 120 }, { partId: "bare" }),
      parts: [{ ...partCatalogue.find(({ id }) => id === "stick-thumb")!, id: "bare", posts: [] }],
    },
    /^S1: 1 stick without holes for mounting posts\.$/,
  ],
  [
    "layout/mirrored-part",
    placeControls(done, new Map([["k2", { mirrored: true }]])),
    /^K2 on Panel is mounted from the solder side, the others from the front/,
  ],
  [
    "layout/mirrored-drawing",
    ["T", "R", "E", "W", "Q"].reduce((d, label, n) => changeControl(d, `k${n + 1}`, { label }), keyBlock(5, 1)),
    /^The rows read from right to left \(4 neighbours in reverse\)/,
  ],
  [
    "layout/oscillator-near-light",
    add(moveController(done, { xMm: 100, yMm: 0 }), "light", { xMm: 99, yMm: 6 }),
    /^The data line of LT1 is \d\.\d mm from the controller's oscillator; keep 10 mm\.$/,
  ],
  [
    "layout/fits-nowhere",
    { ...done, making: { ...usualMaking, beds: [{ id: "b", name: "Bed", widthMm: 60, heightMm: 60 }] } },
    /^Panel \(\d+ × \d+ mm\) fits no bed: on the bed it is \d+ % too large, even turned by \d+°\.$/,
  ],
  ["brief/over", changeWish(done, { keys: 8, encoders: 1, lamps: 1 }), /^1 key more than the brief\.$/],
  [
    "brief/plan-broken",
    { ...done, brief: { ...emptyBrief, wish: { ...noWish, keys: 40 }, chosen: directPlan } },
    /^The chosen plan \(Direct, lamps from pins\) is short of \d+ pins for /,
  ],
  [
    "pins/conflict",
    shareOutDirect(rowOf("pot", 4, "dual-core-3v3-26")),
    /^P1, P2, P3 and P4 cannot all have a pin: they need an analog pin, and only 3 pins can serve them \(P28, P27 and P26\)\.$/,
  ],
  [
    "pins/bus-split",
    movePin(movePin(display, "i2c0.SCL", "P1"), "i2c0.SDA", "P2"),
    /^SCL and SDA are on pins of different bus controllers\.$/,
  ],
  [
    "wiring/low-level",
    weakLogic,
    /^A closed switch of Matrix reads 0\.\d\d V, 0\.\d\d V above what surely reads low\.$/,
  ],
  [
    "wiring/settle-time",
    { ...done, timing: { ...done.timing, settleUs: 0 } },
    /^The lines of Matrix take \d\.\d µs to rise again, and are read after 0 µs\.$/,
  ],
  ["wiring/unsafe-chord", chorded, /^Pressing K1, K2 and K4 together will also report K5\.$/],
  [
    "wiring/reversed-diode",
    setReversed(done, ["k5:press"], true),
    /^The diode of K5 points against the others: pressed alone, it is not reported\.$/,
  ],
  [
    "circuits/ladder-windows",
    changeCircuit<LadderCircuit>(all(keyBlock(4, 3), "ladder"), "ladder", { tolerance: 0.1 }),
    /^Resistor ladder: with resistors of 10 % the windows of 12 keys keep -\d\.\d\d % of the supply as margin/,
  ],
  [
    "wiring/same-address",
    changeCircuit<ExpanderCircuit>(all(keyBlock(6, 3), "expander"), "exp", { addresses: [1, 1] }),
    /^Address 1 is taken by more than one expander on the same bus\.$/,
  ],
  [
    "circuits/light-level",
    all(rowOf("light", 3, "dual-core-3v3-26"), "light-chain"),
    /^Light chain: LIGHTS data gives 3\.1 V, and the first light on [45]\.\d V surely takes 3\.\d V for high\.$/,
  ],
  [
    "circuits/supply-loss",
    manyLights,
    /^At 1\.\d A the V\+ wires of 0\.08 mm² lose \d\.\d\d of \d\.\d\d V on the way to LT\d+ and back\.$/,
  ],
  [
    "wiring/sampled-encoder",
    knobBehind,
    /^E1 is read 1000 times a second through multiplexers: sure up to 10\.4 turns a second\.$/,
  ],
  ["wiring/no-diode", setReversed(done, ["k5:press"], true), /^In row \d the diode on K5 is reversed: pressing/],
  [
    "wiring/no-diode",
    ringOfSix,
    /^Matrix has no diodes: pressing K\d, K\d, K\d, K\d and K\d will also report K\d \(6 keys can appear so\)\.$/,
  ],
  [
    "wiring/wrong-member",
    changeCircuit<MatrixCircuit>(done, "matrix", { cells: { ...matrixCells(done), "l1:lamp": { row: 5, column: 5 } } }),
    /^L1 stands in Matrix \(matrix\), which cannot hold it\.$/,
  ],
  [
    "wiring/wrong-member",
    changeCircuit<MatrixCircuit>(done, "matrix", {
      cells: { ...matrixCells(done), "gone:press": { row: 5, column: 5 } },
    }),
    /^"gone:press" stands in Matrix/,
  ],
  ["wiring/same-place", sameCrossing, /^K1 and K2 of Two-way matrix are at the same place: R1 C1, column to row\.$/],
  [
    "wiring/same-place",
    changeCircuit(all(rowOf("lamp", 2, "small-5v-18"), "charlieplex"), "pairs", {
      pairs: { "c0:lamp": { from: 0, to: 0 }, "c1:lamp": { from: 0, to: 1 } },
    } as Partial<Circuit>),
    /^L1 of Lamps between line pairs leads from a line to itself and never lights\.$/,
  ],
  [
    "circuits/ladder-current",
    changeCircuit<LadderCircuit>(all(rowOf("ladder-pad", 8, "small-5v-18"), "ladder"), "ladder", {
      perBank: 4,
      resistorOhm: 15,
    }),
    /^A bank of Resistor ladder takes 83\.3 mA from its pin; a pin of the .* gives 20 mA\.$/,
  ],
  [
    "circuits/register-current",
    all(lampsOf(8, 20), "output-registers"),
    /^U1 of .* carries 160 mA with its 8 lamps on; it may carry 70 mA, so 8\.7 mA a lamp\.$/,
  ],
  [
    "circuits/register-current",
    all(lampsOf(1, 40), "output-registers"),
    /^L1 takes 40 mA; an output of U1 in .* gives 35 mA\.$/,
  ],
  [
    "circuits/all-pins-current",
    shareOutDirect(chooseController(lampsOf(30, 20), "large-5v-70")),
    /^30 lamps and outputs on pins take 600 mA together; all pins of the .* give 200 mA\./,
  ],
  [
    "circuits/supply-heat",
    { ...manyLights, wires: { ...manyLights.wires, supplyMm2: 0.1 } },
    /^A wire of V\+ carries up to 1\.\d A; one of 0\.1 mm² carries 0\.8 A\.$/,
  ],
  [
    "circuits/current-limit",
    manyLights,
    /^With everything at its most 1\d\d\d mA pass the USB 2\.0 port, which gives 500 mA: \d+ mA too much\.$/,
  ],
  [
    "circuits/current-limit",
    changeCircuit<LightChain>(all(rowOf("light", 120, "small-5v-18"), "light-chain"), "lights", {
      brightnessPercent: 1,
    }),
    /^Before the computer has configured it the device takes 145 mA; until then the USB 2\.0 port gives 100 mA: 45 mA too much\.$/,
  ],
  [
    "circuits/current-limit",
    changeCircuit<LightChain>(all(rowOf("light", 12, "dual-core-3v3-26"), "light-chain"), "lights", { feed: "logic" }),
    /^With everything at its most the regulator of the .* gets \d+ °C warmer than the air; it stands 75 °C\.$/,
  ],
  [
    "circuits/supply-voltage",
    {
      ...all(rowOf("light", 36, "dual-core-3v3-26"), "light-chain"),
      supply: { ...usualSupply, cable: { lengthM: 5, mm2: 0.2 } },
    },
    /^With everything at its most LT\d+ has \d\.\d\d V left; below 3\.8 V blue and green fade, and white turns reddish\.$/,
  ],
  [
    "circuits/supply-voltage",
    { ...done, supply: { ...usualSupply, source: { kind: "outside", volts: 3, limitMa: 1000 } } },
    /^With everything at its most the logic has 2\.\d\d V left; below 4\.50 V the controller resets\.$/,
  ],
  [
    "circuits/asleep-current",
    lights,
    /^Asleep the device still takes 36\.5 mA of 2\.5 mA, most of it in lights, which take 1 mA each even when dark\.$/,
  ],
  [
    "circuits/blind-knob",
    knobWithLights,
    /^While lights and displays are sent, E1 is not seen for up to \d\.\d ms: sure up to \d\.\d turns a second, and the brief wishes 3\.5\.$/,
  ],
  [
    "circuits/late-scan",
    setBus(all(rowOf("display", 1, "small-5v-18"), "bus-displays"), 0, { khz: 100 }),
    /^A scan takes up to 1\.\d ms, most of it D1: 6 columns: presses are told so much later\.$/,
  ],
  [
    "circuits/lever-travel",
    all(changeControl(rowOf("pot", 1, "small-5v-18"), "c0", { lever: { degrees: 20, ratio: 1 } }), "direct"),
    /^P1 moves 20° by hand and its wiper 20° of 270°: 7 % of the converter, 76 counts\. A gear or lever of 1 : 12\.2 would use 90 %\.$/,
  ],
  [
    "circuits/source-resistance",
    all(changeControl(rowOf("pot", 1, "dual-core-3v3-26"), "c0", { trackOhm: 100_000 }), "direct"),
    /^P1 has up to 25\.0 kΩ behind its wiper; sampling for 0\.3 µs the converter takes 4\.2 kΩ\. Put 100 nF/,
  ],
  [
    "circuits/bus-pull-ups",
    setBus(display, 0, { pullUpOhm: 47_000 }),
    /^The pull-ups of bus 1 are 47\.00 kΩ; at 400 kHz with \d+ pF they must lie between 0\.97 kΩ and \d+\.\d\d kΩ\.$/,
  ],
  [
    "circuits/floating-select",
    wireAs(
      addControl(sending({}), "radio", "r2", { xMm: 240, yMm: 0, rotationDeg: 0, boardId: "panel" }),
      "spi-radio",
      ["r2:radio"],
    ),
    /^RM1 select and RM2 select float while the controller starts, on one bus: put 10 kΩ/,
  ],
  [
    "circuits/supply-loss",
    {
      ...changeCircuit<LightChain>(all(rowOf("light", 60, "small-5v-18"), "light-chain"), "lights", { colours: 3 }),
      wires: { ...done.wires, supplyMm2: 0.35 },
      supply: { ...usualSupply, outside: { limitMa: 4000, isChosen: true } },
    },
    /^At 2\.4 A the 5V wires of 0\.35 mm² lose 0\.\d\d of 5\.00 V on the way to LT1 and back\.$/,
  ],
  [
    "circuits/address-clash",
    changeCircuit<BusDisplays>(all(withDisplay(keyBlock(6, 3)), "bus-displays", "expander"), "displays", {
      firstAddress: 0x21,
    }),
    /^On two-wire bus 1 parts answer at once: D1 and U2 to 21 hex\.$/,
  ],
  [
    "circuits/serial-modes",
    all(changeControl(rowOf("radio", 2, "dual-core-3v3-26"), "c1", { spiMode: 3 }), "spi-radio"),
    /^Serial bus 1 has parts of different modes: RM1 in mode 0 and RM2 in mode 3\./,
  ],
  [
    "circuits/lamp-branch",
    shareOutDirect(changeControl(rowOf("lamp", 1, "dual-core-3v3-26"), "c0", { colour: "blue" })),
    /^L1 needs 3\.1 V of the 3\.3 V it hangs on: too little is left for a resistor\. Take a red/,
  ],
  [
    "circuits/rail-without-source",
    all(rowOf("radio", 1, "small-5v-18"), "spi-radio"),
    /^RM1 needs 3\.3 V on 3V3, and no pad of the .* gives it: add a regulator/,
  ],
  [
    "wiring/too-many-displays",
    changeCircuit<BusDisplays>(all(rowOf("display", 65, "dual-core-3v3-26"), "bus-displays"), "displays", {
      ownAddresses: 1,
    }),
    /^Displays on the bus has 65 displays; a bus tells 64 of one address apart\./,
  ],
  [
    "wiring/displays-on-one-bus",
    wireNew(all(rowOf("display", 3, "dual-core-3v3-26"), "bus-displays"), "bus-displays", ["c2:display"]),
    /^Displays on the bus and Displays on the bus 2 are on the same bus with the same addresses\.$/,
  ],
  [
    "pins/buses-on-one-controller",
    twoBuses,
    /^SCL, SDA, SCL2 and SDA2 belong to two buses, but are on pins of one bus controller \(i2c 0\)\.$/,
  ],
  [
    "pins/stale",
    { ...done, pinPlan: { ...done.pinPlan, "matrix.R30": { controllerId: "gone", pin: "P7", locked: false } } },
    /^P7 is kept for 1 net or a controller that the design does not have\.$/,
  ],
  ["pins/start-up", startUp, /^.* is on P0, and a contact closed at the start decides there: it must not be held high/],
  [
    "pins/class-sense",
    {
      ...done,
      profiles: [{ ...smallClass, inputLowMaxV: 3.5, pullUpMinOhm: 90_000 }],
    },
    /contradicts itself: a level of 3\.5 V would be low and high at once; its weakest pull-up is stronger/,
  ],
  [
    "keymap/dangling",
    { ...done, keymap: { ...done.keymap, lamps: { l1: { when: "layer", layerId: "gone" } } } },
    /^L1 shows a layer that is gone; it stays dark\.$/,
  ],
  [
    "keymap/dangling",
    base(done, "k99:press", { does: "nothing" }),
    /^Base binds 1 input that the device does not have\.$/,
  ],
  [
    "reports/missing-interface",
    { ...kestrel, keymap: { ...kestrel.keymap, glows: [{ ...glow, when: { when: "told", flag: 2 } }] } },
    /^Glows would show what is told on "Panel that the computer tells", which the device does not declare\.$/,
  ],
  [
    "reports/endpoints",
    {
      ...kestrel,
      reportSet: {
        ...kestrel.reportSet,
        interfaces: ["keyboard", "consumer", "live", "pointer", "system", "pad", "panel"],
        endpointsMost: 3,
      },
    },
    /^The device takes 4 endpoints though all share that can \(Keyboard, boot layout; .*; there may be 3\.$/,
  ],
  [
    "reports/endpoints",
    {
      ...kestrel,
      reportSet: {
        ...kestrel.reportSet,
        interfaces: ["keyboard", "live", "pointer", "music"],
        panel: { flags: [], values: [], lines: true },
        endpointsMost: 6,
      },
    },
    /^The device takes 7 endpoints though all share that can \(.*; Music \(MIDI\); the serial port, 3\); there may be 6\.$/,
  ],
  [
    "reports/pad-buttons",
    setPad(declared({ ...kestrel, keymap: { ...kestrel.keymap, layers: kestrel.keymap.layers.slice(0, 1) } }, "pad"), {
      buttons: 0,
      hat: false,
      axisBits: 8,
    }),
    /^The game pad has no button, no hat and no axis: there is nothing in its report\.$/,
  ],
  [
    "keymap/axis-ends",
    axed({ lowest: 0, highest: 96 }),
    /^Slew X is told to go from 0 % to 96 % of its track, which goes from 5 % to 95 %: it comes 90 % of the way to its low end and 97\.8 % of the way to its high end\.$/,
  ],
  [
    "keymap/axis-ends",
    axed({ sides: "one", lowest: 10, highest: 99 }),
    /: it comes 95\.5 % of the way to its high end\.$/,
  ],
  [
    "keymap/axis-noise",
    axed({ still: 0.1, smooth: 0 }),
    /^Slew X stands still within 0\.1 % of its track; readings at rest differ by about 2 of 1024 counts, 0\.20 %: it will send reports by itself\.$/,
  ],
  [
    "keymap/axis-dead-zone",
    rested(axed({ dead: 3, centre: 48 })),
    /^Slew X has a dead zone of 3 % of its way; 2 measured rests of Slew lie up to 4\.4 % from their middle: it drifts\.$/,
  ],
  [
    "keymap/axis-dead-zone",
    rested(axed({ dead: 20 })),
    /^Slew X is told to rest at 50 % of its track; the middle of 2 measured rests is 48 %\.$/,
  ],
  [
    "keymap/notes",
    playing([60, 61, 62, 64, 65, 66, 67]),
    /^On Base no key plays D♯4, between C4 and G4 \(every semitone\)\.$/,
  ],
  [
    "keymap/notes",
    playing([60, 62, 64, 63, 67, 69]),
    /^On Base c3 plays D♯4, which falls from E4 of c2, left of it\.$/,
  ],
  [
    "keymap/notes",
    playing([67, 66, 65, 64, 63]),
    /^On Base the notes from c0 to c4 fall from the left to the right\.$/,
  ],
  ["keymap/notes", playing([60, 61, 62, 62, 63, 64]), /^On Base c2 and c3 play D4\.$/],
  [
    "reports/missing-interface",
    {
      ...done,
      keymap: { ...done.keymap, knobs: { "e1:turn": { ...usualKnob, controller: { channel: 0, controller: 7 } } } },
    },
    /^E1 would report on "Music \(MIDI\)", which the device does not declare\.$/,
  ],
  ["keymap/segments", figures(null), /^c0 shows nothing on any layer\.$/],
  [
    "keymap/segments",
    figures({ shows: "text", text: "Kiwi" }),
    /^Seven segments cannot show K and w of “Kiwi” on c0 \(Base\)\.$/,
  ],
  ["keymap/segments", figures({ shows: "text", text: "12.34.5" }), /^“12\.34\.5” takes 5 digits; c0 has 4 \(Base\)\.$/],
  [
    "keymap/segments",
    figures({ shows: "value", elementId: "e1:turn", low: -1000, high: 99, point: 1 }),
    /^c0 has 4 digits; -100\.0 takes more and is shown as minus signs \(Base\)\.$/,
  ],
  [
    "keymap/segments",
    figures({ shows: "value", elementId: "computer:3", low: 0, high: 9, point: 0 }),
    /^c0 would show a value that is gone on Base\.$/,
  ],
  [
    "keymap/segments",
    setSegmentShow(done, "base", "gone", { shows: "dark" }),
    /^Base says what 1 segment display shows/,
  ],
  [
    "reports/radio-packet",
    sending({ check: "none" }),
    /^The packet can be misread: it has no check value, .* a check of the radio module’s own\.$/,
  ],
  ["reports/radio-packet", sending({ check: "sum" }), /^The packet’s check value is a sum: /],
  [
    "reports/radio-packet",
    sending({ framing: "marked", check: "none" }),
    /^The packet can be misread: it has no check value, [^.]*\.$/,
  ],
  ["reports/radio-packet", sending({ framing: "characters", check: "none" }), /A lost escape turns data into a mark/],
  [
    "reports/radio-packet",
    sending({ framing: "characters", marks: { start: 60, separator: 44, end: 62, escape: 62 } }),
    /^The packet can be misread: end and escape are the same byte\.$/,
  ],
  [
    "reports/radio-packet",
    sending({ keys: false, knobs: false, axes: false }),
    /^The radio’s packet is empty: nothing is sent\.$/,
  ],
  [
    "reports/radio-packet",
    sending({ answers: true }),
    /^The radio’s acknowledgement brings what the computer tells, but nothing is declared/,
  ],
  ["reports/radio-packet", sending({ everyMs: 0 }), /^While nothing moves, the radio is silent/],
  [
    "reports/radio-packet",
    sending({ everyMs: 50, gapMs: 60 }),
    /^The packet is to come again after 50 ms, but not sooner than 60 ms/,
  ],
  [
    "reports/radio-packet",
    wireAs(
      addControl(sending({}), "radio", "r2", { xMm: 240, yMm: 0, rotationDeg: 0, boardId: "panel" }),
      "spi-radio",
      ["r2:radio"],
    ),
    /^There are 2 radios; the packet is handed to one function/,
  ],
  [
    "reports/pad-port",
    plugged({ bits: ["k1:press", "gone", "low", "free"] }),
    /^Of the pad port bit 2 tells of what is gone or not wired: it is never pressed\.$/,
  ],
  [
    "reports/pad-port",
    plugged({ bits: ["k1:press", "k2:press", "k1:press"] }),
    /^K1 stands at more than one bit of the pad port\.$/,
  ],
  [
    "reports/pad-port",
    plugged({ clockUs: 6 }),
    /^The pad port’s console looks 3 µs after a clock edge; at 16 MHz the bit is there after 5\.3 µs\.$/,
  ],
  [
    "reports/pad-port",
    chooseController(plugged({}), "dual-core-3v3-26"),
    /^A console drives latch and clock with up to 5 V; this controller’s pins stand 3\.3 V\./,
  ],
  [
    "reports/pad-port",
    wireAs(
      addControl(plugged({}), "light", "l1", { xMm: 240, yMm: 0, rotationDeg: 0, boardId: "panel" }),
      "light-chain",
      ["l1:light"],
    ),
    /^A latched pad port and 1 chain of lights \(.*\) hang on one controller of 16 MHz: /,
  ],
  [
    "reports/pad-port",
    wireAs(
      addControl(plugged({}), "pad-port", "p2", { xMm: 240, yMm: 0, rotationDeg: 0, boardId: "panel" }),
      "pad-port",
      ["p2:port"],
    ),
    /^There are 2 pad ports; one table and one pair of interrupts serve the first\.$/,
  ],
  [
    "circuits/socket-current",
    socketed(1, "dual-core-3v3-26"),
    /^Through 220 Ω, 220 Ω and 220 Ω a music socket carries 2\.4 mA at 3\.3 V: too little to be heard surely; 5 mA is meant\.$/,
  ],
  [
    "circuits/socket-current",
    socketed(1, "small-5v-18", { sourceOhm: 33, dataOhm: 10 }),
    /carries 12\.5 mA at 5 V: more than it is meant for/,
  ],
  [
    "circuits/socket-current",
    socketed(5, "small-5v-18"),
    /^5 music sockets take 25\.0 mA through one pin, which may carry 20 mA\. Put a gate/,
  ],
  ["keymap/displays", paged(null), /^D1 shows nothing on any layer\.$/],
  [
    "keymap/displays",
    paged([text({ column: 110, columns: 30 })]),
    /^“Up” lies beyond the edge of 128 × 64 dots \(D1, Base\)\.$/,
  ],
  [
    "keymap/displays",
    paged([text({}), { shows: "layer", column: 6, row: 0, columns: 20, large: true }]),
    /^the name of the layer lies beneath what stands before it on the page \(D1, Base\)\.$/,
  ],
  [
    "keymap/displays",
    paged([text({ text: "Nest", columns: 22 })]),
    /^“Nest” takes up to 24 columns and 22 are there: the end is cut off \(D1, Base\)\.$/,
  ],
  ["keymap/displays", paged([text({ text: "☃" })]), /^There are no dots for ☃: a box is drawn \(D1, Base\)\.$/],
  [
    "keymap/displays",
    paged([{ shows: "value", column: 0, row: 0, columns: 18, elementId: "e1:turn", low: -100, high: 5, point: 0 }]),
    /^-100 has more signs than the 3 there is room for: minus signs are shown \(D1, Base\)\.$/,
  ],
  [
    "keymap/displays",
    paged([{ shows: "bar", column: 0, row: 0, columns: 18, elementId: "gone:turn" }]),
    /^1 thing on the page tells of what is gone \(D1, Base\)\.$/,
  ],
  [
    "keymap/displays",
    paged([{ shows: "deed", column: 0, row: 0, columns: 18, inputId: "gone:press" }]),
    /^1 thing on the page tells of what is gone \(D1, Base\)\.$/,
  ],
  [
    "keymap/displays",
    setPage(done, "base", "gone", []),
    /^Base has 1 page for displays that the device does not have\.$/,
  ],
  [
    "keymap/displays",
    changeControl(paged([]), "c0", { bitsPerPx: 16, widthPx: 480, heightPx: 320 }),
    /^D1 has 480 × 320 dots of 16 bits; the firmware writes rows of eight dots of 1 bit, up to 255 columns\.$/,
  ],
  [
    "reports/start-up-screen",
    changeWish(setInterfaces(kestrel, ["consumer"]), { startUp: true }),
    /^It must work before the computer's system runs, but declares no keyboard: nothing else is read there\.$/,
  ],
  [
    "reports/start-up-screen",
    changeWish({ ...kestrel, reportSet: { ...kestrel.reportSet, everyKey: true } }, { startUp: true }),
    /^The keyboard's report has 36 bytes; a few start-up screens take none that is longer than 8\.$/,
  ],
  [
    "reports/start-up-screen",
    changeWish(setInterfaces(kestrel, ["keyboard", "consumer"]), { startUp: true, firmware: "interpreted" }),
    /^An interpreter's board tells 2 reports apart by a first byte, which start-up screens do not read: /,
  ],
  ["wiring/one-tone", twoTones, /^B1 and B2 want tones; this chip makes one\.$/],
  ["keymap/idle-axis", idle, /^Slew X and Slew Y move nothing on any layer\.$/],
  [
    "reports/pad-buttons",
    setPad(declared(kestrel, "pad"), { buttons: 24, hat: false, axisBits: 8 }),
    /^The game pad declares 24 buttons; many games look at the first 16 only\.$/,
  ],
  [
    "reports/pad-buttons",
    base(declared(kestrel, "pad"), "stop:press", { does: "pad-button", button: 19 }),
    /^The game pad declares 20 buttons; .* Keys are bound up to button 20\.$/,
  ],
  [
    "keymap/dangling",
    { ...done, keymap: { ...done.keymap, lamps: { l1: { when: "told", flag: 3 } } } },
    /^L1 shows a flag of the computer's that is gone; it stays dark\.$/,
  ],
  [
    "keymap/dangling",
    { ...done, keymap: { ...done.keymap, lamps: { l1: { when: "value", elementId: "computer:0", atLeast: 9 } } } },
    /^L1 shows a value of the computer's that is gone; it stays dark\.$/,
  ],
  [
    "keymap/dangling",
    setAxisUse(kestrel, "base", "constructor", { does: "wheel", along: "up", speed: 3 }),
    /^Base moves something with an axis that the device does not have\.$/,
  ],
  [
    "keymap/dark-lights",
    litUp({ glows: [{ ...glow, when: { when: "told", flag: 0 } }] }),
    /^A glow of all lights follows a flag of the computer's that is gone; it is never seen\.$/,
  ],
  ["keymap/dark-lights", litUp({ glows: [] }), /^Nothing says what 6 lights should show; they stay dark\.$/],
  [
    "keymap/dark-lights",
    litUp({ glows: [{ ...glow, when: { when: "layer", layerId: "toString" } }] }),
    /^A glow of all lights follows a layer that is gone; it is never seen\.$/,
  ],
  [
    "keymap/dark-lights",
    litUp({ glows: [{ ...glow, shows: { how: "value", colour: "#000000", other: "#ffffff", elementId: "gone" } }] }),
    /^A glow of all lights follows a knob that is gone; it is never seen\.$/,
  ],
  [
    "keymap/dark-lights",
    litUp({ glows: [{ ...glow, when: { when: "value", elementId: "focus:turn", atLeast: 90 } }] }),
    /^A glow of all lights is seen from 90 on, and the value of its knob counts to 24; it is never seen\.$/,
  ],
  [
    "keymap/dark-lights",
    litUp({ glows: [{ ...glow, lights: ["power-light:light"], when: { when: "own-key" } }] }),
    /^A glow of Power shows lights the key beside them, and none has one within a pitch; it is never seen\.$/,
  ],
  [
    "wiring/links",
    {
      ...done,
      links: [{ id: "x", name: "Ribbon", kind: "ribbon", fromBoardId: "panel", toBoardId: "gone", conductors: [] }],
    },
    /^Ribbon leads to a board that is gone\.$/,
  ],
  ["wiring/links", apart, /^\d+ wires run between Panel and Right, and no cable is planned\.$/],
  [
    "wiring/links",
    addLink(apart, "x", "panel", "right", ["R1"]),
    /^Link 1 between Panel and Right has 1 conductor; \d+ nets cross\.$/,
  ],
  [
    "wiring/devices-apart",
    ownControllerFor(loom, farBoard(loom), "small-5v-18", "plug"),
    /^Left half and Right half are devices of their own: a layer that one holds changes nothing on another/,
  ],
  ["circuits/module-frames", muchToTell(), /^To tell the modules and to ask the largest takes the bus 1\.\d\d ms;/],
  [
    "circuits/module-clock",
    setBus(dunlin, 0, { khz: 100 }),
    /^Modules are told and asked at 400 kHz, and their bus is set to 100 kHz:/,
  ],
  [
    "circuits/address-clash",
    besideModules(0x31),
    /^Base: On two-wire bus 1 parts answer at once: .*Jog module.* to 31 hex\.$/,
  ],
  [
    "wiring/link-plug",
    linked((design) => changePartLink(design, "link", { plug: "either-way" })),
    /^The plugs of the line to .* can be put on the wrong way round: ground would then lie on its supply\.$/,
  ],
  [
    "wiring/unlinked",
    linked((design) => removePartLink(design, "link")),
    /^The controller of .* has no line to the main one\. .* hangs? on it\.$/,
  ],
  [
    "wiring/link-levels",
    linked((design) => onHalf("controller-2", (half) => chooseController(half, "small-5v-18"))(design)),
    /^.* tells .* at 5 V on a pin for 3\.3 V: take classes of one voltage\.$/,
  ],
  [
    "reports/live-parts",
    ((design) => ({ ...design, reportSet: { ...design.reportSet, interfaces: ["keyboard", "live"] } }))(
      ownControllerFor(loom, farBoard(loom), "small-5v-18", "plug"),
    ),
    /^Each of .* and .* keeps live changes of its own\. Connect each of them, and send what is its\.$/,
  ],
  [
    "reports/interface-twice",
    { ...done, reportSet: { ...done.reportSet, interfaces: ["keyboard", "keyboard"] } },
    /^The device declares keyboard and keyboard: 1 interface too many\.$/,
  ],
  [
    "layout/wrong-part",
    changeControl(done, "k1", { partId: "nothing" }),
    /^K1 has a part "nothing" that is not described;/,
  ],
  [
    "layout/wrong-part",
    changeControl(done, "k1", { partId: "encoder-11" }),
    /^K1 is a key with the part ".*", which is made for something else\.$/,
  ],
  [
    "layout/edge-crosses-itself",
    drawnEdge([0, 0], [60, 60], [60, 0], [0, 60]),
    /^The drawn edge of Panel crosses itself\.$/,
  ],
  [
    "layout/opening-at-edge",
    drawnEdge([-30, -30], [90, -30], [90, 90], [0, 90], [0, -2], [-30, -2]),
    /^The opening of K\d.* runs across the edge of Panel\.$/,
  ],
  [
    "layout/opening-at-edge",
    changeBoard(keyBlock(3, 3), "panel", {
      outline: [corner(-7.4, -30), corner(90, -30), corner(90, 90), corner(-7.4, 90)],
      cornerRadiusMm: 0,
    }),
    /^Between the opening of K1.* and the edge of Panel are 0\.\d mm; leave 1 mm\.$/,
  ],
  [
    "layout/boards-overlap",
    {
      ...apart,
      controls: apart.controls.map((c) => (c.id === "k3" ? { ...c, placement: { ...c.placement, xMm: 5 } } : c)),
    },
    /^Panel and Right lie over each other by \d+\.\d cm²\.$/,
  ],
  ["layout/controller-outside", outsideModule, /^The controller reaches wholly over the edge of Panel\.$/],
  ["wiring/added-part-place", placeChip(knobBehind, "mux.U1", { xMm: 19, yMm: 19 }), /^MUX U1 lies on K\d/],
  [
    "wiring/added-part-place",
    placeChip(knobBehind, "mux.U1", { xMm: 2000, yMm: 19 }),
    /^MUX U1 lies more than 150 mm away from everything else\.$/,
  ],
  [
    "keymap/too-large",
    chooseController(
      Array.from({ length: 14 }, (_, nth) => nth).reduce(
        (d, nth) => addLayer(d, `more${nth}`, "More"),
        shareOutDirect(manyKeys(90)),
      ),
      "small-5v-18",
    ),
    /^The keymap needs 1?\d{4} bytes of tables; the chip has \d{4}; without live changes there are \d{4}\. A shorter text/,
  ],
  ["try/firmware-limits", shareOutDirect(manyKeys(260)), /^The design has 260 inputs; the firmware numbers 254\.$/],
];

describe("rules", () => {
  it.each(cases)("%s speaks", (rule, design, words) => expect(sentence(design, rule)).toMatch(words));

  it("have every one of them been heard here", () => {
    expect(new Set(cases.map(([rule]) => rule))).toEqual(new Set(rules.map((rule) => rule.id)));
  });

  it("are silent on a finished pad, but for what is not bound yet", () =>
    expect(findingsOf(done).map((finding) => finding.rule)).toEqual(["keymap/unbound"]));
  it("are silent on an empty design", () => expect(findingsOf(newDesign("d", "D"))).toEqual([]));
  it.each(demoDesigns.filter(({ id }) => !["glasshouse", "kestrel"].includes(id)))("are silent on $name", (design) =>
    expect(findingsOf(design)).toEqual([]),
  );
  it("have a single note on Kestrel: its lights take current while the computer sleeps", () => {
    const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
    const told = findingsOf(kestrel).map(({ rule, severity }) => `${severity} ${rule}`);
    expect(told).toEqual(["note circuits/asleep-current"]);
  });
  it("have nothing to say of Glasshouse but notes: how its knobs are read, compiled and in Python", () => {
    const glasshouse = demoDesigns.find(({ id }) => id === "glasshouse")!;
    expect(
      findingsOf(glasshouse)
        .map(({ rule, severity }) => `${severity} ${rule}`)
        .sort(),
    ).toEqual(["note wiring/interpreted-encoder", "note wiring/sampled-encoder"]);
  });

  it("tell the most pressing first", () => {
    const weights = findingsOf(setDiodes(movePin(done, "matrix.R1", "P17"), "none")).map((finding) =>
      ["stop", "warn", "note"].indexOf(finding.severity),
    );
    expect(weights).toEqual([...weights].sort());
  });

  it("are settled by each of their own fixes", () => {
    for (const [rule, design] of cases) {
      for (const finding of of(design, rule)) {
        for (const fix of finding.fixes) {
          const after = of(fix.apply(design), rule).map((one) => one.message);
          expect(after, `${rule}: ${fix.title}`).not.toContain(finding.message);
        }
      }
    }
  });

  it("come with a way out where a single edit is one", () => {
    const without = cases
      .filter(([rule, design]) => of(design, rule).every((finding) => finding.fixes.length === 0))
      .map(([rule]) => rule);
    expect(new Set(without)).toEqual(
      new Set([
        "reports/live-parts",
        "circuits/module-frames",
        "wiring/devices-apart",
        "layout/overlap",
        "layout/too-close",
        "layout/boards-overlap",
        "layout/controller-outside",
        "layout/opening-at-edge",
        "layout/openings-meet",
        "layout/thin-wall",
        "layout/stabiliser-room",
        "layout/keep-out",
        "layout/hand-room",
        "layout/plug-room",
        "layout/stick-posts",
        "layout/oscillator-near-light",
        "layout/fits-nowhere",
        "brief/plan-broken",
        "brief/wish-unmet",
        "wiring/fast-encoder",
        "wiring/interpreted-encoder",
        "wiring/link-levels",
        "wiring/low-level",
        "wiring/sampled-encoder",
        "circuits/slow-ladder",
        "circuits/asleep-current",
        "circuits/floating-select",
        "circuits/source-resistance",
        "circuits/supply-voltage",
        "circuits/all-pins-current",
        "pins/class-sense",
        "circuits/lamp-current",
        "pins/no-controller",
        "pins/start-up",
        "circuits/rail-without-source",
        "circuits/socket-current",
        "circuits/register-current",
        "wiring/too-many-displays",
        "keymap/no-way-back",
        "try/firmware-limits",
        "keymap/too-large",
        "reports/pad-buttons",
        "reports/radio-packet",
        "reports/pad-port",
      ]),
    );
  });

  it("offer the diodes before the bigger board when pins are too few", () => {
    const [finding] = of(chooseController(shareOutDirect(pad(5, 3)), "thumb-3v3-11"), "pins/too-few");
    expect(finding.fixes.map((fix) => fix.title)).toEqual([
      "Put the switches into a matrix with the fewest pins: 11 pins instead of 19",
      "Read switches and knobs through input registers: 4 pins instead of 19",
      expect.stringMatching(/^Take the .*, \d\d I\/O/),
    ]);
  });
});

describe("a way back", () => {
  const up = base(addLayer(done, "up", "Up"), "k1:press", { does: "stay-layer", layerId: "up" });

  it("is one key on the layer itself", () =>
    expect(of(bind(up, "up", "k2:press", { does: "stay-layer", layerId: "base" }), "keymap/no-way-back")).toEqual([]));
  it("may also shine through from the base", () =>
    expect(of(base(up, "k3:press", { does: "stay-layer", layerId: "base" }), "keymap/no-way-back")).toEqual([]));
  it("is barred when the layer says nothing there", () => {
    const shining = base(up, "k3:press", { does: "stay-layer", layerId: "base" });
    expect(of(bind(shining, "up", "k3:press", { does: "nothing" }), "keymap/no-way-back")).toHaveLength(1);
  });
});

describe("facts", () => {
  it("count a pad", () => {
    expect(factsOf(done)).toEqual({
      controls: 11,
      contacts: 9 * 2 + 3 + 2 + 2,
      nets: 11,
      rows: 4,
      columns: 3,
      diodes: 10,
      resistors: 1,
      pinsNeeded: 10,
      pinsUsable: 18,
    });
  });

  it("count an unwired block", () =>
    expect(factsOf(keyBlock(2, 2))).toMatchObject({ controls: 4, contacts: 8, nets: 0, pinsNeeded: 0, pinsUsable: 0 }));
});

describe("a supply loss", () => {
  /** Motors whose rail loses the same part of its voltage whatever the board carries: just over and just under 5 %. */
  const losing = (profileId: string, part: number): Design => {
    const motors = rowOf("motor", 4, profileId);
    const wired = wireAs(motors, "direct", idsOf(motors));
    const [rail] = supplyAt(wired, "worst")!.rails.filter(({ leastAt }) => leastAt?.sort === "output");
    const worstPart = (rail.volts - rail.leastV) / rail.volts;
    return {
      ...wired,
      wires: { ...wired.wires, supplyMm2: (wired.wires.supplyMm2 * worstPart) / part },
    };
  };

  it.each(["small-5v-18", "dual-core-3v3-26"])("counts from 5 %% of what the rail carries on, on %s", (profileId) => {
    const told = (part: number) =>
      findingsOf(losing(profileId, part)).filter(({ rule }) => rule === "circuits/supply-loss").length;
    expect([told(0.051), told(0.049)]).toEqual([1, 0]);
  });

  const lights = (mm2: number): Design => {
    const chain = all(rowOf("light", 60, "small-5v-18"), "light-chain");
    return { ...chain, wires: { ...chain.wires, supplyMm2: mm2 } };
  };
  const lost = (design: Design) => findingsOf(design).find(({ rule }) => rule === "circuits/supply-loss");
  const feeding = (design: Design) => lost(design)?.fixes?.find(({ title }) => title.startsWith("Feed "));

  it("is settled by the feeding that it offers", () => {
    const cure = feeding(lights(0.5))!;
    expect(lost(cure.apply(lights(0.5)))).toBeUndefined();
  });

  it("offers no feeding where even wires to every light lose too much", () => {
    expect(lost(lights(0.02))).toBeDefined();
    expect(feeding(lights(0.02))).toBeUndefined();
  });
});
