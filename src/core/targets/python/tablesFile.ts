import type { Design } from "../../document/schema";
import type { ScanTable } from "../../firmware/scanTable";
import { tableSections } from "../../firmware/tableListing";

const byte = (value: number) => `\\x${value.toString(16).padStart(2, "0")}`;

/** The generated tables as Python: the same bytes as for every other target, an entry a line. */
export function tablesFile(design: Design, scan: ScanTable): string {
  const lines = tableSections(scan, design).flatMap(({ title, bytes, entryBytes }) => {
    const entries = Array.from({ length: Math.ceil(bytes.length / entryBytes) }, (_, nth) =>
      bytes.slice(nth * entryBytes, (nth + 1) * entryBytes),
    );
    return [`    # ${title}`, ...entries.map((entry) => `    b"${entry.map(byte).join("")}"`)];
  });
  return `"""The tables of this device. Generated from its design file; change the design, not this."""

TABLES = (
${lines.join("\n")}
)
`;
}
