import { bad, good } from "../document/problem";
import { type NetlistNet, type NetlistPin, netlistOf } from "../wires/netlist";
import { type Artifact, fileStem, utf8 } from "./artifact";

/** Longest net name that fits its columns (IPC-D-356A, 4 to 17); longer ones get an alias. */
const NET_COLUMNS = 14;
const PART_COLUMNS = 6;
/** A coordinate has six digits of a micrometre each. */
const MOST_MM = 999.999;
/** Usual hole of a through-hole part with round leads up to 0.8 mm, and its pad (common practice). */
const HOLE_UM = 1000;
const PAD_UM = 1800;

interface Names {
  short: Map<string, string>;
  aliases: string[];
}

const tidy = (name: string) => name.replace(/\s+/g, "_").replace(/[^\x21-\x7e]/g, "?");

/** Names cut to their columns: the first to come keeps its own, others are numbered and told in a header record. */
function shortNames(
  names: string[],
  columns: number,
  stem: string,
  record: (alias: string, name: string) => string,
): Names {
  const short = new Map<string, string>();
  const taken = new Set(names.map(tidy).filter((name) => name.length <= columns));
  const aliases: string[] = [];
  let number = 0;
  for (const name of new Set(names)) {
    const own = tidy(name);
    const isFree = own.length <= columns && ![...short.values()].includes(own);
    if (isFree) {
      short.set(name, own);
      continue;
    }
    let alias: string;
    do alias = `${stem}${(number += 1)}`;
    while (taken.has(alias));
    short.set(name, alias);
    aliases.push(record(alias, own));
  }
  return { short, aliases };
}

const um = (mm: number) => {
  const value = Math.round(mm * 1000);
  return `${value < 0 ? "-" : "+"}${String(Math.abs(value)).padStart(6, "0")}`;
};

const four = (value: number) => String(value).padStart(4, "0");

/** One through-hole record, column by column as the format states. The format's y runs upwards, the mat's downwards. */
function record(net: string, part: string, { number, at }: NetlistPin): string {
  return [
    "317",
    net.padEnd(NET_COLUMNS),
    "   ",
    part.padEnd(PART_COLUMNS),
    "-",
    String(number).padEnd(4),
    " ",
    `D${four(HOLE_UM)}P`,
    "A00",
    `X${um(at.xMm)}Y${um(-at.yMm)}`,
    `X${four(PAD_UM)}Y${four(PAD_UM)}R000`,
    " S0",
  ].join("");
}

function textOf(name: string, nets: NetlistNet[]): string {
  const netNames = shortNames(
    nets.map((net) => net.name),
    NET_COLUMNS,
    "NNAME",
    (alias, own) => `P  ${alias.padEnd(NET_COLUMNS)} ${own}`,
  );
  const partNames = shortNames(
    nets.flatMap(({ pins }) => pins.map(({ part }) => part)),
    PART_COLUMNS,
    "X",
    (alias, own) => `C  PART ${alias} IS ${own}`,
  );
  return [
    `C  ${tidy(name)}`,
    "P  JOB OVRIN",
    "P  UNITS CUST 1",
    "P  DIM N",
    ...netNames.aliases,
    ...partNames.aliases,
    ...nets.flatMap((net) =>
      net.pins.map((pin) => record(netNames.short.get(net.name)!, partNames.short.get(pin.part)!, pin)),
    ),
    "999",
    "",
  ].join("\r\n");
}

/** The trade's exchange format for bare-board tests: every end with its net and place. */
export const netlist356: Artifact = {
  id: "netlist-356",
  title: "Netlist, IPC-D-356A",
  purpose: "Every part end with its net and place, for board programs and for testing bare boards.",
  make: async (design) => {
    const nets = netlistOf(design);
    const far = nets
      .flatMap(({ pins }) => pins)
      .find(({ at }) => Math.max(Math.abs(at.xMm), Math.abs(at.yMm)) > MOST_MM);
    if (far)
      return bad({
        path: "controls",
        message: `${far.part} lies more than ${MOST_MM} mm from the origin, farther than the format can say; move the device nearer`,
      });
    return good({
      fileName: `${fileStem(design)}.ipc`,
      mediaType: "text/plain",
      bytes: utf8(textOf(design.name, nets)),
    });
  },
};
