import type { TrackUse } from "../document/axes";
import type { ScanTable } from "../firmware/scanTable";
import type { PartOwners } from "./partRuntimes";
import type { EndpointPlan } from "../hid/endpointPlan";

/** What of a design its simulated device is made of, as plain data: worked out where the rules are, apart from the page's first scripts. */
export interface DeviceParts {
  scan: ScanTable;
  endpoints: EndpointPlan;
  /** Encoders whose pins interrupt, by their numbers. */
  edgeEncoders: number[];
  /** How far each wiper comes, by sensor, and where each is put at the start: -1 to 1. */
  tracks: { uses: TrackUse[]; places: number[]; bits: number };
  /** Where things hang on a device of parts with a controller each; null where there is one. */
  owners: PartOwners | null;
  /** Bits of a serial pad port, and how often its console reads it; null where there is none. */
  plug: { bits: number; everyMs: number } | null;
}
