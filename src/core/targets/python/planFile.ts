import { isHid } from "../../hid/interfaceKinds";
import { interpreterPin } from "../../chips/interpreterPins";
import { LADDER_SETTLE_US } from "../../circuits/ladder";
import { REPORTS } from "../../contract/contract";
import { LINK_BUS } from "../../contract/link";
import { derive } from "../../derived/derive";
import { throughWords } from "../../derived/throughWords";
import { linkEndId } from "../../derived/linkEnds";
import type { Design } from "../../document/schema";
import { socketNets } from "../../firmware/musicSocket";
import { ownLines } from "../../firmware/ownLines";
import { reportShapeOf } from "../../firmware/reportShape";
import type { ScanTable } from "../../firmware/scanTable";
import { moduleBusOf } from "../../firmware/moduleBus";
import { type TwoWireBus, twoWireBuses } from "../../firmware/twoWireBuses";
import { hidInterfaces } from "../../hid/interfaces";
import { identityOf } from "../../image/identity";
import { bytesBothWays, descriptorWithId, isBootKeyboard, reportIdOf } from "./interfaces";
import { type Literal, bytesLiteral, listing, literal } from "./literals";
import { type Parts, partsOf } from "./parts";

/** The interpreter's name of a net's pin; empty while it has none. */
export const pinNameOf = (design: Design) => {
  const { netById, controllers } = derive(design);
  return (netId: string): string => {
    const own = controllers.find(({ controller }) => controller.id === netById.get(netId)?.controllerId);
    return interpreterPin((own ?? controllers[0])?.profile?.id ?? "", design.pinPlan[netId]?.pin ?? "");
  };
};

/** The device as one of its parts reaches it: lines keep their numbers, and what is reached through other parts is theirs. */
const reachedFrom = (scan: ScanTable, isOwn: (netId: string) => boolean): ScanTable => ({
  ...scan,
  access: Object.fromEntries(Object.entries(scan.access).filter(([netId]) => isOwn(netId))),
  ladders: scan.ladders.filter(({ line }) => isOwn(line)),
});

function interfaceText(design: Design): string {
  const shape = reportShapeOf(design);
  const rows = design.reportSet.interfaces.filter(isHid).map((kind, nth) => {
    const reportId = reportIdOf(design, nth);
    const [page, usage] = hidInterfaces[kind].collection;
    const numbers = [page, usage, reportId, ...bytesBothWays(kind, shape), REPORTS[kind].number];
    return `    (${bytesLiteral(descriptorWithId(kind, shape, reportId))}, ${numbers.join(", ")}),  # ${kind}`;
  });
  const music = design.reportSet.interfaces.includes("music") ? "True" : "False";
  return `INTERFACES = (\n${rows.join("\n")}\n)\nPLAYS_MUSIC = ${music}`;
}

/** How a voltage is reached: its pin, and behind a multiplexer the select pins and the channel. */
const sensorLiteral =
  ({ access }: ScanTable, pinOf: (netId: string) => string) =>
  (netId: string): Literal => {
    const through = access[netId];
    return through?.by === "voltage"
      ? [pinOf(through.data), through.select.map(pinOf), through.channel]
      : [pinOf(netId), [], 0];
  };

/** A line of another part of the device: it is never driven here, and always high. */
const AWAY: Literal = ["away", null];

/** Where a lamp hangs: on an added part, between two lines, or on a pin; of a sounder its tone in Hz. */
const lampLiteral =
  ({ access, tones }: ScanTable, places: Parts["places"], pinOf: (netId: string) => string) =>
  (netId: string): Literal => {
    if (Object.hasOwn(tones, netId)) return ["tone", pinOf(netId), tones[netId]];
    const place = places.get(netId);
    const own = access[netId];
    if (own?.by === "pair") return ["pair", pinOf(own.high), pinOf(own.low)];
    return place ? ["part", ...place] : ["pin", pinOf(netId)];
  };

const segmentPins = ({ segmentChains }: ScanTable, pinOf: (netId: string) => string | null): string =>
  listing(
    "SEGMENT_CHAINS",
    segmentChains.map(({ data, clock, select }) => ({ value: [data, clock, select].map(pinOf) })),
  );

/** None: on another part. */
function numberOf(buses: readonly TwoWireBus[], scl: string): number | null {
  const nth = buses.findIndex((bus) => bus.scl === scl);
  return nth < 0 ? null : nth;
}

/** Two-wire buses, and the displays on them. */
const busLines = ({ displays }: ScanTable, buses: readonly TwoWireBus[], pinOf: (netId: string) => string): string =>
  [
    listing(
      "BUSES",
      buses.map(({ scl, sda, khz }) => ({ value: [pinOf(scl), pinOf(sda), 1000 * khz] })),
    ),
    "",
    "# Of each display of dots: its bus, its address there, and the bus multiplexer it hangs on (0: none) with what that is told.",
    listing(
      "DISPLAYS",
      displays.map(({ scl, address, behind }) => ({
        value: [numberOf(buses, scl), address, behind?.address ?? 0, behind ? 1 << behind.branch : 0],
      })),
    ),
  ].join("\n");

/**
 * How a part reaches the others: transmitter and receiver of a serial line; of a base its bus of modules and the lines on which they call, each with
 * those that do; of a module clock, data and its line.
 */
function lineOf(design: Design, part: number, buses: readonly TwoWireBus[], pinOf: (netId: string) => string): Literal {
  const { linkEnds } = derive(design);
  const own = linkEnds.find(({ controller }) => controller.id === design.controllers[part]?.id);
  const bus = moduleBusOf(design, part);
  if (bus) {
    const calls = bus.calls.map(({ netId, mask }) => [pinOf(netId), mask]);
    return part === 0
      ? ["modules", numberOf(buses, bus.clock), calls]
      : ["own", pinOf(bus.clock), pinOf(bus.data), calls[0][0]];
  }
  if (!own) return null;
  const id = linkEndId(own.link, own.end);
  return ["serial", pinOf(`${id}.sends`), pinOf(`${id}.receives`)];
}

/** Those with displays and expanders; and of a base that of its modules. */
function busesOf(design: Design, scan: ScanTable, part: number, isOwn: (netId: string) => boolean): TwoWireBus[] {
  const buses = twoWireBuses(design, scan).filter(({ scl }) => isOwn(scl));
  const modules = part === 0 ? moduleBusOf(design, part) : null;
  if (!modules || buses.some(({ scl }) => scl === modules.clock)) return buses;
  return [...buses, { scl: modules.clock, sda: modules.data, khz: LINK_BUS.BITS_A_SECOND / 1000 }];
}

function transmitter(design: Design, pinOf: (netId: string) => string): string {
  const [first] = socketNets(design);
  return first ? literal(pinOf(first)) : "None";
}

/** Who the device is, its interfaces, and which of its parts this is. */
function headOf(design: Design, part: number, line: Literal): string {
  const { maker, product, vendorId, productId } = identityOf(design);
  return `"""The lines of this device. Generated from its design file; change the design, not this."""

# Maker, name, and the two numbers by which a computer knows the device.
IDENTITY = ${literal([maker, product, vendorId, productId])}

# Of each interface: report descriptor, usage page and usage, report id, bytes to the computer and from it, report kind.
${interfaceText(design)}

# A computer's start-up screen reads a keyboard only while it is the one interface.
BOOT_DEVICE = ${isBootKeyboard(design) ? 1 : 0}

# Which of the device's parts this is, and how it reaches the others: transmitter and receiver of a serial line; a base's bus and the
# lines on which modules call, with a bit for each that does; a module's clock, data and line.
PART = ${part}
LINE = ${literal(line)}`;
}

/**
 * The lines of a design for hardware.py: who it is, its interfaces, its pins, and what stands between.
 * @param part which of the design's controllers, from 0
 */
export function planFile(design: Design, whole: ScanTable, part = 0): string {
  const derived = derive(design);
  const through = throughWords(derived);
  const pinOf = pinNameOf(design);
  const isOwn = ownLines(design, whole, part);
  const scan = reachedFrom(whole, isOwn);
  const pinHere = (netId: string) => (isOwn(netId) ? pinOf(netId) : null);
  const buses = busesOf(design, scan, part, isOwn);
  const { parts, places } = partsOf(scan, buses, pinOf);
  const sensed = new Set(scan.senseLines);
  const comment = (netId: string) => {
    const flag = derived.netById.get(netId)?.flag ?? derived.elements.get(netId)?.label ?? netId;
    return [flag, through.get(netId)].filter(Boolean).join(": ");
  };
  const sense = (netId: string): Literal => {
    if (!isOwn(netId)) return AWAY;
    const place = places.get(netId);
    return place ? ["part", ...place] : [scan.access[netId]?.by === "held-pin" ? "held" : "pin", pinOf(netId)];
  };
  const sensorHere = sensorLiteral(scan, pinOf);
  const sensor = (id: string): Literal => (isOwn(id) ? sensorHere(id) : [null, [], 0]);
  const lampHere = lampLiteral(scan, places, pinOf);
  const lamp = (netId: string): Literal => (isOwn(netId) ? lampHere(netId) : AWAY);
  const lines = (nets: string[], of: (netId: string) => Literal) =>
    nets.map((netId) => ({ value: of(netId), comment: comment(netId) }));
  return `${headOf(design, part, lineOf(design, part, buses, pinOf))}

# Clock, data and speed of each two-wire bus.
${busLines(scan, buses, pinOf)}

# Added parts: sort, pins or bus, and how many lines.
${listing(
  "PARTS",
  parts.map((value) => ({ value })),
)}

# Driven low one at a time, else floating; True: it is read as a sense line too.
${listing(
  "STROBES",
  lines(scan.strobeLines, (netId) => [pinHere(netId), isOwn(netId) && sensed.has(netId)]),
)}

# Read in banks of sixteen: a pin with its pull-up, one held to ground outside, or a line of an added part.
${listing("SENSES", lines(scan.senseLines, sense))}

${listing("LAMPS", lines(scan.lampLines, lamp))}

# The pin of each voltage, and of one behind a multiplexer its select pins, the lowest first, and the channel.
${listing("SENSORS", lines(scan.sensors, sensor))}

# The pin of each chain of addressable lights.
${listing(
  "CHAINS",
  lines(
    scan.chains.map(({ net }) => net),
    pinHere,
  ),
)}

# Data, clock and select of each chain of segment drivers.
${segmentPins(scan, pinHere)}

# The pin of the transmitter for music sockets, or None.
TRANSMITTER = ${transmitter(design, pinOf)}

LADDER_SETTLE_US = ${LADDER_SETTLE_US}
`;
}
