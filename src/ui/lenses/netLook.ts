import type { Net } from "@/core/circuits/net";

/** Okabe and Ito's palette, told apart with every common colour vision; on the dark mat without its black. */
const COLOURS = ["#E69F00", "#56B4E9", "#2FC796", "#F0E442", "#5AA9FF", "#F0782E", "#E58FC0", "#FFFFFF"];
const PATTERNS = ["", "3 1.2", "1 1", "4 1 1 1", "6 1.5", "2 0.8 0.6 0.8"];

/** How a net is drawn: pattern first, colour in addition. Rows start with full lines, columns with broken ones. */
export function netLook(net: Net, index: number): { colour: string; pattern: string } {
  const shift = net.role === "column" ? 1 : 0;
  const pattern = PATTERNS[(Math.floor(index / COLOURS.length) * 2 + shift) % PATTERNS.length];
  return { colour: COLOURS[index % COLOURS.length], pattern };
}
