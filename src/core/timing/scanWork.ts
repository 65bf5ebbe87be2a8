import { leadsOf } from "../bindings";
import type { Design } from "../document/schema";
import { edgeEncoders } from "../firmware/edgeEncoders";
import { hasSocket } from "../firmware/musicSocket";
import type { ScanTable } from "../firmware/scanTable";
import { BANK_LINES } from "../contract/contract";

/**
 * What deciding takes beside waiting for lines, in cycles of the 8-bit core, with so many inputs changing at once: measured on the simulated
 * chip with the finished images, forty devices of 8 to 72 keys (the demos, and keyboards in matrices, on registers, expanders and
 * multiplexers), and laid through them by least squares. Reports over USB are counted apart.
 */
const AT_ONCE = 20;
const CYCLES = {
  own: 3450,
  change: 219,
  row: 261,
  /** Of each line that is read under a row. */
  line: 23,
  /** Of each sixteen lines on multiplexers; two of them read in the time that is counted as waiting anyway. */
  multiplexer: 1018,
  multiplexersFree: 1532,
  sampledEncoder: 302,
  /** Of each change, where there are opposite directions, and where keys lead to layers. */
  opposites: 95,
  layers: 71,
  glows: 571,
  /** Of each change that plays a note, and that a socket is told too. */
  note: 276,
  socket: 60,
};

/** Images with displays are compiled for size, which makes all of it slower. */
const FOR_SIZE = 1.13;

/** How many switches can be told at once: of a ladder one. */
function changesAtOnce({ switches, ladders }: ScanTable): number {
  const rungs = ladders.reduce((sum, ladder) => sum + ladder.rungs.length, 0);
  return Math.min(AT_ONCE, switches.length - rungs + ladders.length);
}

const linesOfBank = ({ senseLines }: ScanTable, bank: number) =>
  Math.min(BANK_LINES, senseLines.length - BANK_LINES * bank);

function readingCycles(scan: ScanTable): number {
  const rows = scan.groups.filter(({ strobe }) => strobe !== null);
  const isMultiplexed = ({ bank }: { bank: number }) =>
    scan.access[scan.senseLines[BANK_LINES * bank]]?.by === "channel";
  const multiplexed = scan.groups.filter((group) => group.strobe === null && isMultiplexed(group)).length;
  return (
    rows.reduce((sum, { bank }) => sum + CYCLES.row + CYCLES.line * linesOfBank(scan, bank), 0) +
    Math.max(0, CYCLES.multiplexer * multiplexed - CYCLES.multiplexersFree)
  );
}

/** Keys that play, on any layer. */
function notesAtOnce({ keymap }: Design, changes: number): number {
  const playing = keymap.layers.flatMap(({ bindings }) =>
    Object.entries(bindings).flatMap(([input, { does }]) => (does === "note" ? [input] : [])),
  );
  return Math.min(changes, new Set(playing).size);
}

const leads = ({ keymap }: Design) =>
  keymap.layers.some(({ bindings }) => Object.values(bindings).some((binding) => leadsOf(binding).length > 0));

/** Cycles that a crowded scan takes beside waiting for lines. */
export function scanWorkCycles(design: Design, scan: ScanTable): number {
  const changes = changesAtOnce(scan);
  const sampled = scan.encoders.length - edgeEncoders(design, scan).length;
  const each = CYCLES.change + (scan.opposites.length > 0 ? CYCLES.opposites : 0) + (leads(design) ? CYCLES.layers : 0);
  const played = notesAtOnce(design, changes) * (CYCLES.note + (hasSocket(design) ? CYCLES.socket : 0));
  const cycles =
    CYCLES.own +
    each * changes +
    readingCycles(scan) +
    CYCLES.sampledEncoder * sampled +
    (scan.chains.length > 0 ? CYCLES.glows : 0) +
    played;
  return cycles * (scan.displays.length > 0 ? FOR_SIZE : 1);
}
