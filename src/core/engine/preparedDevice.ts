import { converterBits } from "../catalogue/controllers/converter";
import { BATTERY, batteryTrack } from "../derived/batteryValue";
import { derive } from "../derived/derive";
import { trackUseOf } from "../document/axes";
import { isModule } from "../document/partLinks";
import type { Design } from "../document/schema";
import { overLimits } from "../firmware/capacity";
import { edgeEncoders } from "../firmware/edgeEncoders";
import { endpointPlanOf } from "../firmware/endpoints";
import { padPortOf } from "../firmware/padPort";
import { type ScanTable, scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import type { Bounce } from "./contactSchedule";
import type { DeviceWatch, Noise } from "./device";
import { PairedDevice } from "./pairedDevice";
import type { DeviceParts } from "./deviceParts";
import type { PartOwners } from "./partRuntimes";

/** How far the wipers of sensors come; a battery is full when nobody says otherwise. */
export function tracksOf(design: Design, sensors: string[]): DeviceParts["tracks"] {
  const { elements, controls, profile } = derive(design);
  const uses = sensors.map((id) => {
    if (id === BATTERY) return batteryTrack(design)!;
    const { controlId, end } = elements.get(id)!;
    return trackUseOf(controls.get(controlId)!, end) ?? { lowest: 0, rest: 0, highest: 100 };
  });
  return { uses, places: sensors.map((id) => (id === BATTERY ? 1 : 0)), bits: converterBits(profile) };
}

/** Where each thing hangs; null on a device of one controller. */
function ownersOf(design: Design, scan: ScanTable): PartOwners | null {
  if (scan.parts.length < 2) return null;
  const { netById } = derive(design);
  const ids = design.controllers.map(({ id }) => id);
  const { partLinks: links = [] } = design;
  const partOf = (netId: string) => Math.max(0, ids.indexOf(netById.get(netId)?.controllerId ?? ""));
  return {
    lamps: scan.lampLines.map(partOf),
    chains: scan.chains.map(({ net }) => partOf(net)),
    segments: scan.segmentChains.map(({ data }) => partOf(data)),
    displays: scan.displays.map(({ scl }) => partOf(scl)),
    encoders: scan.encoders.map((_, nth) => scan.parts.findIndex(({ encoders }) => nth < encoders)),
    joined: ids.map((id, nth) => nth === 0 || links.some(({ nearId, farId }) => nearId === ids[0] && farId === id)),
    calls: links.find(isModule)?.calls ?? null,
  };
}

function devicePartsOf(design: Design): DeviceParts {
  const scan = scanTableOf(design);
  const port = padPortOf(design);
  return {
    scan,
    endpoints: endpointPlanOf(design),
    edgeEncoders: edgeEncoders(design, scan),
    tracks: tracksOf(design, scan.sensors),
    owners: ownersOf(design, scan),
    plug: port && { bits: port.bits.length, everyMs: port.everyMs },
  };
}

/** What a device is loaded with, and what it is made of. */
export interface Loaded {
  tables: Uint8Array;
  /** What of it the firmware cannot number, as the end of "it has …"; null when all is well. */
  tooMuch: string | null;
  parts: DeviceParts;
  /** The same with its diodes left out: it is loaded alike. */
  withoutDiodes: DeviceParts;
}

/**
 * Works out what a device of a design is loaded with.
 * @param open the same design with its diodes left out
 */
export function loadedWith(design: Design, open: Design): Loaded {
  const parts = devicePartsOf(design);
  const [tooMuch = null] = overLimits(parts.scan, design);
  return {
    tables: tooMuch === null ? tableBytes(parts.scan, design) : new Uint8Array(),
    tooMuch,
    parts,
    withoutDiodes: devicePartsOf(open),
  };
}

/** A device of a design, powered, with its own tables. */
export function deviceOf(
  design: Design,
  watch: DeviceWatch,
  bounce: Bounce | null = null,
  kept?: Uint8Array,
  noise: Noise | null = null,
): PairedDevice {
  const parts = devicePartsOf(design);
  return new PairedDevice(design, tableBytes(parts.scan, design), parts, watch, bounce, kept, noise);
}
