import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { rowOf } from "../../../tests/support/litRows";
import type { BusDisplays } from "../circuits/busDisplays";
import { EXPANDER_ADDRESSES } from "../circuits/expander";
import { derive } from "../derived/derive";
import { changeCircuit, wireAs } from "../edits/wiring";
import { keyBlock } from "../../../tests/support/keyBlock";
import { type BusAddress, busAddresses, clashes, hexAddress } from "./addresses";

const displays = (count: number, ownAddresses: number) => {
  const row = rowOf("display", count, "dual-core-3v3-26");
  const wired = wireAs(row, "bus-displays", [...derive(row).elements.keys()]);
  return changeCircuit<BusDisplays>(wired, "displays", { ownAddresses });
};

const expanders = (keys: number) => {
  const block = keyBlock(keys, 1);
  return wireAs(block, "expander", [...derive(block).elements.keys()]);
};

describe("addresses on a two-wire bus", () => {
  it("are those of the class, and straps say how an expander got its own", () => {
    const told = busAddresses(expanders(40)).map(({ part, address, setBy }) => `${part} ${address} ${setBy}`);
    expect(told).toEqual(["U1 32 A0, A1, A2 low", "U2 33 A0 high; A1, A2 low", "U3 34 A1 high; A0, A2 low"]);
  });

  it("agree with what the straps of the netlist are tied to", () => {
    const design = expanders(120);
    const { chips } = derive(design);
    busAddresses(design).forEach(({ address }, nth) => {
      const bits = [0, 1, 2].map((bit) => chips[nth].terminals.find(({ name }) => name === `A${bit}`)!.netId === "V+");
      expect(bits.reduce((sum, high, bit) => sum + (high ? 1 << bit : 0), 0x20)).toBe(address);
    });
    expect(chips).toHaveLength(EXPANDER_ADDRESSES);
  });

  it("repeat on branches of a multiplexer, which keeps them apart", () => {
    const design = displays(20, 2);
    const all = busAddresses(design);
    expect(all.filter(({ part }) => part.startsWith("U")).map(({ address }) => address)).toEqual([0x70, 0x71]);
    const behind = all.filter((one) => one.behind !== null);
    expect(behind).toHaveLength(20);
    expect(behind.at(-1)).toMatchObject({ address: 0x3d, behind: { address: 0x71, branch: 1 } });
    expect(clashes(all)).toEqual([]);
  });

  it("clash where a display on a branch has the address of its own multiplexer", () => {
    const design = changeCircuit<BusDisplays>(displays(3, 1), "displays", { firstAddress: 0x70 });
    expect(clashes(busAddresses(design))).toHaveLength(3);
  });

  it("never clash between different buses, and always between equals on one bus", () => {
    const one = fc.record({ bus: fc.nat(1), address: fc.integer({ min: 0x20, max: 0x23 }) });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), (list) => {
        const all = list.map((part): BusAddress => ({ ...part, circuitId: "c", part: "U", setBy: "", behind: null }));
        const distinct = new Set(list.map(({ bus, address }) => `${bus} ${address}`)).size;
        expect(clashes(all).length > 0).toBe(distinct < list.length);
      }),
    );
  });

  it("are written as data sheets write them", () => {
    expect([0x08, 0x3c].map(hexAddress)).toEqual(["08 hex", "3C hex"]);
  });
});
