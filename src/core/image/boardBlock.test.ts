import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { keyBlock } from "../../../tests/support/keyBlock";
import { chainOf } from "../../../tests/support/litRows";
import type { LightChain } from "../circuits/lightChain";
import { chooseController } from "../edits/pins";
import { supplyAt } from "../power/solveSupply";
import type { LadderCircuit } from "../circuits/ladder";
import { BOARD_AT, BOARD_PART, REMOTE_BYTES_MOST } from "../contract/board";
import { crc16 } from "../contract/crc16";
import type { Design } from "../document/schema";
import { changeCircuit, wireAs } from "../edits/wiring";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { boardBlock } from "./boardBlock";
import type { BlockPins } from "./boardLines";

/** Every pad is a pin of its own number. */
const numbered: BlockPins = {
  pin: (pad) => [Number(pad.slice(1)), 0],
  level: ([number]) => ({ at: 0, mask: number }),
  channel: (pad) => Number(pad.slice(1)),
};

/** Every net on a pad of its own, whatever a controller has. */
function anywhere(design: Design): Design {
  const scan = scanTableOf(design);
  const nets = new Set(
    Object.values(scan.access).flatMap((access) => Object.values(access).filter((one) => typeof one === "string")),
  );
  for (const { net } of scan.chains) nets.add(net);
  for (const line of [...scan.strobeLines, ...scan.senseLines, ...scan.lampLines]) nets.add(line);
  const pins = [...nets].map((net, nth) => [net, { pin: `P${nth + 1}`, locked: false }]);
  return { ...design, pinPlan: Object.fromEntries(pins) };
}

function blockOf(design: Design) {
  const scan = scanTableOf(design);
  return boardBlock(design, scan, tableBytes(scan, design), numbered);
}

function ladders(keys: Design, perBank: number): Design {
  const wired = wireAs(
    keys,
    "ladder",
    keys.controls.map(({ id }) => `${id}:press`),
  );
  return anywhere(
    changeCircuit<LadderCircuit>(wired, wired.circuits.find(({ kind }) => kind === "ladder")!.id, { perBank }),
  );
}

/** The added parts of a block: kind and length of each. */
function partsOf(block: Uint8Array): [kind: number, length: number][] {
  const parts: [number, number][] = [];
  for (
    let at = block[BOARD_AT.PART_TABLE] | (block[BOARD_AT.PART_TABLE + 1] << 8);
    block[at] !== BOARD_PART.END;
    at += 2 + block[at + 1]
  )
    parts.push([block[at], block[at + 1]]);
  return parts;
}

describe("the board block", () => {
  it("has a part for each bank of a ladder, and each says how long it is", () => {
    const block = blockOf(ladders(keyBlock(8, 4), 8));
    if (!block.ok) throw new Error(JSON.stringify(block.problems));
    const expected = [BOARD_PART.LADDER, 6 + 2 * 8];
    expect(partsOf(block.value)).toEqual([expected, expected, expected, expected]);
    const all = [...block.value];
    expect(crc16(all.slice(0, -2))).toBe(all.at(-2)! | (all.at(-1)! << 8));
  });

  it("is refused with the bytes when added parts have more lines than can be told apart", () => {
    const block = blockOf(ladders(keyBlock(25, 10), 2));
    expect(block).toEqual({
      ok: false,
      problems: [
        expect.objectContaining({ message: expect.stringMatching(`^has 125 bytes .* room for ${REMOTE_BYTES_MOST}$`) }),
      ],
    });
  });
});

describe("what the device asks the port for", () => {
  /** Byte 8 of the configuration descriptor, in units of 2 mA (USB 2.0, table 9-10). */
  function askedMa(design: Design): number {
    const block = blockOf(anywhere(design));
    if (!block.ok) throw new Error(JSON.stringify(block.problems));
    const bytes = [...block.value];
    const at = bytes.findIndex((byte, nth) => byte === 9 && bytes[nth + 1] === 2 && bytes[nth + 8] > 0);
    return 2 * bytes[at + 8];
  }
  const plain = chooseController(finishedPad(), "small-5v-18");
  const lit = (percent: number) =>
    changeCircuit<LightChain>(chainOf(60), "lights", { colours: 3, brightnessPercent: percent });

  it("is its worst current, rounded up", () => {
    expect(askedMa(plain)).toBe(2 * Math.ceil(supplyAt(plain, "worst")!.sourceMa / 2));
    const dim = lit(10);
    const worstMa = supplyAt(dim, "worst")!.sourceMa;
    expect(worstMa).toBeGreaterThan(100);
    expect(askedMa(dim)).toBe(2 * Math.ceil(worstMa / 2));
  });

  it("is never more than a port grants", () => expect(askedMa(lit(100))).toBe(500));

  it("is the usual where the device has a source of its own", () => {
    const source = { kind: "outside" as const, volts: 5, limitMa: 3000 };
    expect(askedMa({ ...lit(100), supply: { ...lit(100).supply, source } })).toBe(100);
  });
});
