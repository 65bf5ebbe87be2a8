import { MUSIC_REPORT_BYTES } from "../contract/music";
import type { InterfaceKind } from "./interfaceKinds";
import { reportBytes } from "./reportBytes";
import type { ReportShape } from "./reportShape";

/** Bytes of an endpoint's packet, each report in whole, with its number where it has one; endpoints have 8, 16, 32 or 64. */
export function packetBytes(group: readonly InterfaceKind[], shape: ReportShape): number {
  const bytes = group.map((kind) => (kind === "music" ? MUSIC_REPORT_BYTES : reportBytes(kind, shape)));
  return 2 ** Math.ceil(Math.log2(Math.max(8, Math.max(...bytes) + (group.length > 1 ? 1 : 0))));
}
