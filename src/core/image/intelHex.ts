/** Bytes that stand at an address. */
export interface HexPart {
  at: number;
  bytes: ArrayLike<number>;
}

const RECORD_BYTES = 16;
const hex = (value: number) => value.toString(16).toUpperCase().padStart(2, "0");

function record(type: number, at: number, bytes: number[]): string {
  const all = [bytes.length, at >> 8, at & 0xff, type, ...bytes];
  const sum = all.reduce((a, b) => a + b, 0);
  return `:${[...all, -sum & 0xff].map(hex).join("")}`;
}

/** Parts of a memory of at most 64 KiB as Intel HEX (records 00 and 01), sixteen bytes a line. */
export function intelHex(parts: HexPart[]): string {
  const lines = parts.flatMap(({ at, bytes }) => {
    const all = Array.from(bytes);
    return Array.from({ length: Math.ceil(all.length / RECORD_BYTES) }, (_, nth) => {
      const from = nth * RECORD_BYTES;
      return record(0, at + from, all.slice(from, from + RECORD_BYTES));
    });
  });
  return `${[...lines, record(1, 0, [])].join("\n")}\n`;
}
