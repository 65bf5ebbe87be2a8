import { circuitKindOf } from "../circuits";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { Circuit } from "../circuits";
import type { BuiltChain, BuiltCircuit } from "../circuits/circuitKind";
import { LIGHT_BYTES, LIGHT_US, PICTURE_MS, lightsMs } from "../contract/contract";
import { movesByItself } from "../document/glows";
import { pictureMs } from "../firmware/lights";
import { type ScanTable, scanTableOf } from "../firmware/scanTable";
import { DISPLAYS } from "../contract/displays";
import { isWrittenByRows } from "../document/displayPages";
import { busKhz } from "../document/busClock";
import { writeUs } from "./busTime";
import { scanWorkCycles } from "./scanWork";

export const SCAN_US = 1000;

/** One thing that the controller does with its time. */
export interface Share {
  id: string;
  what: string;
  sort: "read" | "work" | "lights" | "display" | "usb";
  /** How long it takes when it comes, in µs. */
  us: number;
  /** How often it comes, a second. */
  perSecond: number;
}

/** How often pictures and lights change at a usual moment, a second (common practice). */
const PICTURES = 5;
const LIGHT_CHANGES = 30;
/** Handing a report over and USB's own upkeep, in µs (from memory). */
const USB_US = 40;

function readings(circuit: Circuit, { reading }: BuiltCircuit, settleUs: number): Share[] {
  const us = reading.settles * settleUs + reading.fixedUs;
  if (us === 0) return [];
  const what = `${circuitKindOf(circuit).title.toLowerCase()}: ${circuit.name}`;
  return [{ id: circuit.id, what, sort: "read", us, perSecond: 1000 }];
}

/** What a bit for every key adds with twenty of 64 held: all are looked at, where six are enough. Measured on the simulated 8-bit chip. */
const EVERY_KEY_CYCLES = 3220;

const everyKey = ({ reportSet }: Design, mhz: number): Share[] =>
  reportSet.everyKey && reportSet.interfaces.includes("keyboard")
    ? [{ id: "every-key", what: "a bit for every key", sort: "work", us: EVERY_KEY_CYCLES / mhz, perSecond: 1000 }]
    : [];

/** What each change of a sounder's wave takes, counted in the interrupt's instructions on the 8-bit core; two make a wave. */
const WAVE_CYCLES = 64;

const waves = ({ tones }: ScanTable, mhz: number): Share[] =>
  Object.entries(tones).map(([net, hz]) => ({
    id: `tone ${net}`,
    what: `a tone of ${hz} Hz, while it sounds`,
    sort: "work",
    us: (2 * hz * WAVE_CYCLES) / mhz / 1000,
    perSecond: 1000,
  }));

/** Of the work with many changing, that of a scan with nothing to tell; displays are written in those only. Measured with Kestrel as above. */
const QUIET = 0.4;

/** What working out a cell takes beside writing it, measured on the simulated 8-bit chip. */
const CELL_CYCLES = 2400;

/** Displays are written a cell at a time, and a row begins with a frame of its own; those that the firmware cannot write are left alone. */
function displays(circuit: Circuit, design: Design, derived: Derived, mhz: number): Share[] {
  if (circuit.kind !== "bus-displays") return [];
  return circuit.members.flatMap((id): Share[] => {
    const control = derived.controls.get(derived.elements.get(id)?.controlId ?? "");
    if (control?.kind !== "display" || !isWrittenByRows(control)) return [];
    const frames = (control.heightPx / 8) * (1 + Math.ceil(control.widthPx / DISPLAYS.CELL));
    const us = writeUs(DISPLAYS.CELL, busKhz(design, circuit.bus)) + CELL_CYCLES / mhz;
    return [
      { id, what: `${control.label}: ${DISPLAYS.CELL} columns`, sort: "display", us, perSecond: PICTURES * frames },
    ];
  });
}

/** Pictures of lights a second: those of an effect that is always seen, or of a hand at a usual moment. */
function pictures(design: Design, scan: ScanTable): number {
  const moves = (design.keymap.glows ?? []).some(({ when, shows }) => when.when === "always" && movesByItself(shows));
  return moves ? 1000 / Math.max(PICTURE_MS, pictureMs(design, scan)) : LIGHT_CHANGES;
}

function lights({ circuitId, lights }: BuiltChain, perSecond: number, { circuits }: Design): Share {
  const name = circuits.find(({ id }) => id === circuitId)?.name ?? circuitId;
  const us = lights.length * LIGHT_BYTES * LIGHT_US.BYTE;
  return { id: circuitId, what: `${name}: ${lights.length} lights`, sort: "lights", us, perSecond };
}

export interface Millisecond {
  shares: Share[];
  /** What comes in every scan; with all else that may come in the same one; on an average. In µs. */
  scanUs: number;
  worstUs: number;
  meanUs: number;
  /** The longest time from one reading to the next, in µs: lights are sent in a scan that reads nothing, not after one that writes a display; whole
   * milliseconds pass with them, but for a device whose scans are late anyway. */
  gapUs: number;
}

/** What one scan of a compiled firmware is made of; one display writes in a scan, and each chain of lights has a scan of its own. */
export function millisecondOf(design: Design): Millisecond {
  const derived = derive(design);
  return derived.once("millisecond", () => {
    const { settleUs } = design.timing;
    const mhz = derived.profile?.clockMhz ?? 16;
    const scan = scanTableOf(design);
    const work = scanWorkCycles(design, scan) / mhz;
    const every = design.circuits.flatMap((circuit, nth) => readings(circuit, derived.builtCircuits[nth], settleUs));
    const own: Share[] = [
      ...every,
      {
        id: "work",
        what: "deciding, with many changing at once",
        sort: "work",
        us: work,
        perSecond: 1000,
      },
      ...waves(scan, mhz),
      ...everyKey(design, mhz),
      { id: "usb", what: "reports over USB", sort: "usb", us: USB_US, perSecond: 1000 },
    ];
    const shown = design.circuits.flatMap((circuit) => displays(circuit, design, derived, mhz));
    const lit = scan.chains.map((chain) => lights(chain, pictures(design, scan), design));
    const scanUs = own.reduce((sum, { us }) => sum + us, 0);
    const quietUs = scanUs - (1 - QUIET) * work;
    const worstUs = Math.max(scanUs, ...shown.map(({ us }) => quietUs + us));
    const shares = [...own, ...shown, ...lit];
    const sendMs = Math.max(0, ...scan.chains.map((chain) => lightsMs(chain.lights.length)));
    return {
      shares,
      scanUs,
      worstUs,
      meanUs: shares.reduce((sum, { us, perSecond }) => sum + (us * Math.min(1000, perSecond)) / 1000, 0),
      gapUs: Math.max(worstUs, scanUs + Math.max(0, ...lit.map(({ us }) => us)), SCAN_US * (1 + sendMs)),
    };
  });
}
