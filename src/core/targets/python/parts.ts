import { windowEdges } from "../../circuits/ladderVoltage";
import type { LadderBank } from "../../circuits/circuitKind";
import { type AccessBy, accessSets, addressesOf, bitsOf, chipsOf } from "../../firmware/accessSets";
import type { ScanTable } from "../../firmware/scanTable";
import type { TwoWireBus } from "../../firmware/twoWireBuses";
import type { Literal } from "./literals";

/** One added part as hardware.py builds it: its sort and what it is given. */
export type PartLiteral = [sort: string, ...given: Literal[]];

/** The added parts of a design, and where each line is found in them: the part and its bit. */
export interface Parts {
  parts: PartLiteral[];
  places: Map<string, [part: number, bit: number]>;
}

type PinOf = (netId: string) => string;
type Adding = (part: PartLiteral, bits: [netId: string, bit: number][]) => void;

const EXPANDER_LINES = 16;
function addRegisters({ access }: ScanTable, pinOf: PinOf, add: Adding) {
  const chained = (lines: [string, { bit: number }][]) => lines.map(([id, { bit }]): [string, number] => [id, bit]);
  const room = (lines: [string, { bit: number }][]) => Math.ceil(bitsOf(lines.map(([, line]) => line)) / 8) * 8;
  for (const set of accessSets(access, "in-register", ({ clock }) => clock)) {
    const { clock, latch, data } = set[0][1];
    add(["in-registers", pinOf(clock), pinOf(latch), pinOf(data), room(set)], chained(set));
  }
  for (const set of accessSets(access, "out-register", ({ clock }) => clock)) {
    const { clock, latch, data, enable } = set[0][1];
    const enabled = enable === null ? null : pinOf(enable);
    add(["out-registers", pinOf(clock), pinOf(latch), pinOf(data), enabled, room(set)], chained(set));
  }
}

function addMultiplexers({ access }: ScanTable, pinOf: PinOf, add: Adding) {
  for (const set of accessSets(access, "channel", ({ select }) => select.join(" "))) {
    const lines = set.map(([, line]) => line);
    const chips = chipsOf(lines);
    const channels = 1 << lines[0].select.length;
    const data = chips.map((chip) => pinOf(lines.find((line) => line.chip === chip)!.data));
    add(
      ["multiplexers", lines[0].select.map(pinOf), data],
      set.map(([id, { chip, channel }]) => [id, chips.indexOf(chip) * channels + channel]),
    );
  }
}

function addExpanders({ access }: ScanTable, buses: readonly TwoWireBus[], add: Adding) {
  for (const set of accessSets(access, "expander", ({ scl, sda }) => `${scl} ${sda}`)) {
    const bus = buses.findIndex(({ scl }) => scl === set[0][1].scl);
    const addresses = addressesOf(set.map(([, line]) => line));
    add(
      ["expanders", bus, addresses],
      set.map(([id, { address, bit }]) => [id, addresses.indexOf(address) * EXPANDER_LINES + bit]),
    );
  }
}

function addLadders({ access, ladders }: ScanTable, pinOf: PinOf, add: Adding) {
  for (const set of accessSets(access, "rung", ({ line }) => line)) {
    const [, { line }] = set[0];
    const own = ladders.filter((bank) => bank.line === line);
    const topOf = (bank: LadderBank) => (access[bank.rungs[0]] as AccessBy<"rung">).top;
    const banks = own.map((bank): Literal => {
      const top = topOf(bank);
      return [top === null ? null : pinOf(top), windowEdges(bank)];
    });
    add(
      ["ladder", pinOf(line), banks],
      own.flatMap((bank) => bank.rungs).map((id, nth) => [id, nth]),
    );
  }
}

/**
 * Registers, multiplexers, expanders and ladders of a design, for hardware.py.
 * @param buses its two-wire buses, by number
 * @param pinOf the interpreter's name of a net's pin
 */
export function partsOf(scan: ScanTable, buses: readonly TwoWireBus[], pinOf: PinOf): Parts {
  const parts: PartLiteral[] = [];
  const places: Parts["places"] = new Map();
  const add: Adding = (part, bits) => {
    for (const [netId, bit] of bits) places.set(netId, [parts.length, bit]);
    parts.push(part);
  };
  addRegisters(scan, pinOf, add);
  addMultiplexers(scan, pinOf, add);
  addExpanders(scan, buses, add);
  addLadders(scan, pinOf, add);
  return { parts, places };
}
