import { type Phase, type Wire, phases } from "../wires/wires";
import { type SheetBox, escapeXml } from "./svgText";

const HEX: Record<string, string> = {
  black: "#000",
  red: "#c00",
  white: "#999",
  yellow: "#b90",
  green: "#080",
  blue: "#04c",
  brown: "#850",
  orange: "#e60",
  violet: "#80a",
  grey: "#666",
};
const DASH: Partial<Record<Phase, string>> = { columns: "2 1", branches: "1 0.6", supply: "6 1.5" };

/** Line pattern by the phase of the work, colour as the wire list says; white insulation is drawn grey. */
export const wireStyle = ({ colour, phase }: Pick<Wire, "colour" | "phase">): string =>
  `stroke="${HEX[colour]}" stroke-width="0.4" stroke-dasharray="${DASH[phase] ?? ""}" fill="none"`;

const WORDS: Partial<Record<Phase, string>> = {
  rows: "row",
  columns: "column, insulated",
  branches: "branch to an added part",
  supply: "supply or ground",
};

const ROW_MM = 4.5;
const SAMPLE_MM = 14;

const DIODE = `<path d="M1 0h1.5M2.5 -0.8v1.6l1.6 -0.8zM4.1 -0.8v1.6M4.1 0h2" stroke="#000" stroke-width="0.25"/>`;
const RESISTOR = `<path d="M1 0h1.4m2.4 0h1.4M2.4 -0.6h2.4v1.2h-2.4z" fill="#fff" stroke="#000" stroke-width="0.25"/>`;

interface Shown {
  hasFlags: boolean;
  hasLinks: boolean;
  /** Sorts of parts in the leads. */
  sorts: Set<"diode" | "resistor">;
}

/** What lines and marks mean, beneath a drawing; tells the box of both. */
export function wireLegend(
  box: SheetBox,
  used: Phase[],
  { hasFlags, hasLinks, sorts }: Shown,
): { marks: string; box: SheetBox } {
  const lines = phases.flatMap((phase) =>
    WORDS[phase] && used.includes(phase)
      ? [{ sample: `<path d="M0 0h${SAMPLE_MM - 4}" ${wireStyle({ colour: "black", phase })}/>`, words: WORDS[phase] }]
      : [],
  );
  const mark = (words: string) => `<text font-size="2" font-weight="bold" y="0.7">${words}</text>`;
  const entries = [
    ...lines,
    ...(hasFlags ? [{ sample: mark("R1 → P5"), words: "a lead: its net, and the pad it goes to" }] : []),
    ...(hasLinks
      ? [{ sample: mark("R1 → J1.3"), words: "to place 3 of connector J1, and on to the other board" }]
      : []),
    ...(sorts.has("diode") ? [{ sample: DIODE, words: "diode in a lead; the bar is its ring" }] : []),
    ...(sorts.has("resistor") ? [{ sample: RESISTOR, words: "resistor in a lead" }] : []),
  ];
  const rows = entries.map(
    ({ sample, words }, nth) =>
      `<g transform="translate(0 ${nth * ROW_MM})">${sample}<text x="${SAMPLE_MM}" y="0.9" font-size="2.4">${escapeXml(words)}</text></g>`,
  );
  return {
    marks: `<g transform="translate(${box.minXMm + 4} ${box.maxYMm + 4})">${rows.join("")}</g>`,
    box: { ...box, maxYMm: box.maxYMm + 4 + entries.length * ROW_MM, maxXMm: Math.max(box.maxXMm, box.minXMm + 96) },
  };
}
