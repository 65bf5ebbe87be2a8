/** Prefixes of main items, their size bits left out (USB HID 1.11, section 6.2.2.4). */
export const INPUT = 0x80;
export const OUTPUT = 0x90;

export interface Field {
  /** Page and usage; a constant has none. */
  usage: number | null;
  at: number;
  bits: number;
  low: number;
  high: number;
  isRelative: boolean;
  hasNull: boolean;
}

/** What a descriptor says of its input or its output report. */
export interface Described {
  collections: number[];
  fields: Field[];
  depth: number;
}

/** A reader of report descriptors, after section 6.2.2: global items stay, local ones are for the next main item. */
export function readDescriptor(bytes: Uint8Array, main = INPUT): Described {
  const state = { page: 0, size: 0, count: 0, low: 0, high: 0 };
  let usages: number[] = [];
  let range = [0, -1];
  const all: Described = { collections: [], fields: [], depth: 0 };
  let bit = 0;
  for (let at = 0; at < bytes.length;) {
    const size = [0, 1, 2, 4][bytes[at] & 3];
    const raw = bytes.slice(at + 1, at + 1 + size).reduce((value, byte, i) => value + byte * 2 ** (8 * i), 0);
    const signed = size > 0 && raw >= 2 ** (8 * size - 1) ? raw - 2 ** (8 * size) : raw;
    const tag = bytes[at] & 0xfc;
    at += 1 + size;
    if (tag === 0x04) state.page = raw;
    if (tag === 0x14) state.low = signed;
    if (tag === 0x24) state.high = signed;
    if (tag === 0x74) state.size = raw;
    if (tag === 0x94) state.count = raw;
    if (tag === 0x08) usages.push(state.page * 65536 + raw);
    if (tag === 0x18) range = [raw, range[1]];
    if (tag === 0x28) range = [range[0], raw];
    if (tag === 0xc0) all.depth -= 1;
    if (tag === 0xa0) {
      all.collections.push(usages[0]);
      all.depth += 1;
    }
    if (tag === main) {
      for (let nth = 0; nth < state.count; nth++) {
        const ranged = range[1] >= range[0] ? state.page * 65536 + Math.min(range[0] + nth, range[1]) : undefined;
        const usage = (raw & 1) === 1 ? null : (usages[nth] ?? ranged ?? null);
        const { low, high } = state;
        all.fields.push({
          usage,
          at: bit,
          bits: state.size,
          low,
          high,
          isRelative: (raw & 4) === 4,
          hasNull: (raw & 0x40) !== 0,
        });
        bit += state.size;
      }
    }
    if ([INPUT, OUTPUT, 0xb0].includes(tag) || tag === 0xa0 || tag === 0xc0) {
      usages = [];
      range = [0, -1];
    }
  }
  return all;
}
