import { featuresOf } from "./features";
import {
  type ArenaCounts,
  FIXED_RAM_BYTES,
  PASSED_RAM_BYTES,
  LIMITS,
  LINK_STACK_BYTES,
  RADIO_STACK_BYTES,
  STACK_BYTES,
  arenaBytes,
  partBytes,
  ramBytes,
} from "../contract/contract";
import { dinBytes, musicBytes } from "../contract/music";
import { PANEL } from "../contract/panel";
import { liveBytes } from "../contract/live";
import type { Design } from "../document/schema";
import { bankCount, type ScanTable } from "./scanTable";
import { reportBytes } from "../hid/reportBytes";
import { isTold } from "../hid/panelSettings";
import { hasSocket, playsMusic } from "./musicSocket";
import { LINK, linkBytes } from "../contract/link";
import { isModule, isOnBus } from "../document/partLinks";
import { linkMost } from "./link";
import { radioBytes } from "./packet";
import { reportShapeOf } from "./reportShape";
import { glowsOf, lightsOf } from "./lights";
import { DISPLAYS, displayBytes } from "../contract/displays";
import { displayStates } from "./displays";
import { displaysOf, driversOf, startCount } from "./segments";
import { SEGMENTS, segmentBytes } from "../contract/segments";
import { tableBytes } from "./tables";
import { waitingOf } from "./waiting";

/** What the runtime's memory depends on. */
function countsOf(scan: ScanTable, design: Design): ArenaCounts {
  const { interfaces } = design.reportSet;
  const shape = reportShapeOf(design);
  return {
    banks: bankCount(scan),
    groups: scan.groups.length,
    switches: scan.switches.length,
    inputs: scan.inputs.length,
    encoders: scan.encoders.length,
    pulsers: scan.encoders.length + scan.settling.filter(({ flips }) => flips).length,
    layers: design.keymap.layers.length,
    waiting: waitingOf(scan, design),
    partBytes: partBytes(scan.together.length) + partBytes(scan.opposites.length),
    lamps: scan.lamps.length,
    lights: lightsOf(scan).length,
    glows: glowsOf(design, scan).length,
    sensors: scan.sensors.length,
    padButtons: shape.buttons,
    movers: interfaces.includes("pointer") ? LIMITS.MOVERS : 0,
    reportBytes: interfaces.reduce((sum, name) => sum + reportBytes(name, shape), 0),
    panelBytes: isTold(design) ? PANEL.BYTES : 0,
    segmentBytes: segmentBytes(driversOf(scan), displaysOf(scan).length, scan.segmentChains.length),
    displayBytes: displayBytes(scan.displays.length, displayStates(scan, design)),
    musicBytes: playsMusic(design) ? musicBytes : 0,
    dinBytes: hasSocket(design) ? dinBytes : 0,
    radioBytes: radioBytes(scan, design),
    linkBytes: linkBytes(linkMost(scan, design), scan.encoders.length, scan.parts.length),
    liveBytes: interfaces.includes("live") ? liveBytes(scan.inputs.length, design.keymap.layers.length) : 0,
  };
}

/** Bytes of the arena that a device needs. */
export const arenaNeed = (scan: ScanTable, design: Design): number => arenaBytes(countsOf(scan, design));

/** Bytes of the runtime's own variables, compiled with what the design wants. */
export function fixedRamBytes(scan: ScanTable, design: Design): number {
  const features = featuresOf(design, scan);
  const passed = features.includes("link") && features.includes("live") ? PASSED_RAM_BYTES : 0;
  return features.reduce((sum, feature) => sum + FIXED_RAM_BYTES[feature], FIXED_RAM_BYTES.rest + passed);
}

/** Its deepest stack, in bytes. */
export const stackBytes = (scan: ScanTable, design: Design): number =>
  STACK_BYTES +
  Math.max(radioBytes(scan, design) > 0 ? RADIO_STACK_BYTES : 0, scan.parts.length > 0 ? LINK_STACK_BYTES : 0);

/** Bytes of RAM that the runtime needs for a device on the 8-bit core, stack included. */
export const ramNeed = (scan: ScanTable, design: Design): number =>
  ramBytes(countsOf(scan, design), fixedRamBytes(scan, design), stackBytes(scan, design));

/** Pages that its displays have. */
const pagesOf = ({ displays }: ScanTable, { keymap }: Design): number =>
  keymap.layers.reduce(
    (sum, { displays: own = {} }) => sum + displays.filter(({ controlId }) => Object.hasOwn(own, controlId)).length,
    0,
  );

const serialLinks = ({ partLinks = [] }: Design): number => partLinks.filter((link) => !isModule(link)).length;

/** What of a design is more than the runtime can number, in words; empty when all fits. */
export function overLimits(scan: ScanTable, design: Design): string[] {
  const counts: [number, number, string][] = [
    [scan.inputs.length, LIMITS.INPUTS, "inputs"],
    [scan.encoders.length, LIMITS.ENCODERS, "encoders"],
    [scan.lamps.length, LIMITS.LAMPS, "lamps"],
    [lightsOf(scan).length, LIMITS.LIGHTS, "addressable lights"],
    [scan.sensors.length, LIMITS.SENSORS, "voltages of sticks and pots"],
    [scan.chains.length, LIMITS.CHAINS, "chains of lights"],
    [displaysOf(scan).length, SEGMENTS.DISPLAYS, "segment displays"],
    [scan.segmentChains.length, SEGMENTS.CHAINS, "chains of segment displays"],
    [driversOf(scan), SEGMENTS.DRIVERS, "segment drivers"],
    [startCount(scan), SEGMENTS.STARTS, "registers of segment drivers set at the start"],
    [scan.displays.length, DISPLAYS.MOST, "displays"],
    [pagesOf(scan, design), DISPLAYS.PAGES, "pages of displays"],
    [scan.strobeLines.length, LIMITS.LINES, "strobe lines"],
    [scan.senseLines.length, LIMITS.LINES, "sense lines"],
    [scan.groups.length, LIMITS.GROUPS, "groups of lines read at once"],
    [scan.parts.length, LIMITS.PARTS, "parts with a controller each"],
    [serialLinks(design), 1, "serial lines between parts, where more want a bus"],
    [isOnBus(design) ? serialLinks(design) : 0, 0, "serial lines beside modules on a bus"],
    [linkMost(scan, design), LINK.MOST, "bytes in a frame between its parts"],
  ];
  const over = counts.filter(([n, most]) => n > most);
  const words = over.map(([n, most, what]) => `${n} ${what}; the firmware numbers ${most}`);
  if (words.length > 0) return words;
  const bytes = tableBytes(scan, design).length;
  return bytes > LIMITS.TABLE_BYTES ? [`${bytes} bytes of tables; the firmware reads ${LIMITS.TABLE_BYTES}`] : [];
}
