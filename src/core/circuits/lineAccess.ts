/** How the firmware gets at a line that is no plain pin. Nets are named by their ids. */
export type LineAccess =
  | { by: "held-pin" }
  | { by: "in-register"; clock: string; latch: string; data: string; bit: number }
  | { by: "channel"; data: string; select: string[]; chip: number; channel: number }
  /** A voltage, not a level: it is no sense line. */
  | { by: "voltage"; data: string; select: string[]; chip: number; channel: number }
  | { by: "expander"; scl: string; sda: string; address: number; bit: number }
  | { by: "rung"; line: string; top: string | null; rung: number; of: number }
  | { by: "out-register"; clock: string; latch: string; data: string; enable: string | null; bit: number }
  | { by: "pair"; high: string; low: string };

/** Bits of a register of the 74HC165 and 74HC595 sort, and of a port of an expander. */
export const REGISTER_BITS = 8;

const terminal = (bit: number) => "ABCDEFGH"[bit % REGISTER_BITS];
const register = (bit: number) => `U${Math.floor(bit / REGISTER_BITS) + 1}`;

/** The same in words, for lists that a person reads. @param flagOf the flag of a net */
export function accessWords(access: LineAccess, flagOf: (netId: string) => string): string {
  switch (access.by) {
    case "held-pin":
      return "pressed reads high, held by 10 kΩ to ground";
    case "in-register":
      return `bit ${access.bit} of the chain (${register(access.bit)} ${terminal(access.bit)})`;
    case "channel":
    case "voltage":
      return `channel ${access.channel} of U${access.chip}, read on ${flagOf(access.data)}`;
    case "expander": {
      const port = access.bit < REGISTER_BITS ? "A" : "B";
      return `expander at address ${access.address}, line P${port}${access.bit % REGISTER_BITS}`;
    }
    case "rung": {
      const powered = access.top === null ? "" : ` while ${flagOf(access.top)} is high`;
      return `the rung ${access.rung} of ${access.of} on ${flagOf(access.line)}${powered}`;
    }
    case "out-register":
      return `bit ${access.bit} of the chain (${register(access.bit)} Q${terminal(access.bit)}), low is lit`;
    case "pair":
      return `${flagOf(access.high)} high, ${flagOf(access.low)} low, the other lines floating`;
  }
}
