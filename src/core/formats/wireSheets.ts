import { derive } from "../derived/derive";
import { bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { boardRing } from "../layout/boardOutline";
import { outlineRing } from "../geometry/ring";
import { linkConnectors, partConnectors } from "../wires/connectors";
import { cutList } from "../wires/cutList";
import { type Phase, type Wire, phases, wiresOf } from "../wires/wires";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { boxAround, escapeXml, ringData, svgOpen } from "./svgText";

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
const DASH: Partial<Record<Phase, string>> = { columns: "2 1", leads: "0.8 0.8", links: "4 1 1 1", supply: "6 2" };

const wireLine = ({ from, to, colour, phase }: Wire) =>
  `<path d="M${from.at.xMm} ${from.at.yMm}L${to.at.xMm} ${to.at.yMm}" stroke="${HEX[colour]}" stroke-width="0.4" stroke-dasharray="${DASH[phase] ?? ""}" fill="none"/>`;

const partName = (x: number, y: number, words: string, mirrored: boolean) =>
  `<text transform="translate(${x} ${y})${mirrored ? " scale(-1 1)" : ""}" font-size="2.6" text-anchor="middle">${escapeXml(words)}</text>`;

/** Boards, parts and wires seen from one side; from the solder side everything is mirrored but the words. */
function sideDrawing(design: Design, wires: Wire[], mirrored: boolean): string {
  const derived = derive(design);
  const boards = design.boards.flatMap(({ id }) => boardRing(design, id) ?? []);
  const outlines = design.boards.flatMap(({ id }) => {
    const ring = boardRing(design, id);
    return ring ? [`<path d="${ringData(ring)}" fill="none" stroke="#333" stroke-width="0.3"/>`] : [];
  });
  const bodies = derived.bodies.map(
    (body) => `<path d="${ringData(outlineRing(body))}" fill="#f4efe2" stroke="#777" stroke-width="0.15"/>`,
  );
  const names = design.controls.map(({ label, placement }) =>
    partName(placement.xMm, placement.yMm + 1, label, mirrored),
  );
  const chips = derived.chips.map(({ at, id }) => partName(at.xMm, at.yMm, id.toUpperCase(), mirrored));
  const box = boxAround(
    [boards, ...derived.bodies.map((body) => outlineRing(body)), wires.flatMap(({ from, to }) => [from.at, to.at])],
    4,
  );
  const seen = mirrored ? { ...box, minXMm: -box.maxXMm, maxXMm: -box.minXMm } : box;
  const turn = mirrored ? ' transform="scale(-1 1)"' : "";
  return `${svgOpen(seen)}<g${turn}>${[...outlines, ...bodies, ...wires.map(wireLine), ...names, ...chips].join("\n")}</g></svg>`;
}

const sideFile = (id: string, title: string, mirrored: boolean): Artifact => ({
  id,
  title,
  purpose: mirrored
    ? "Boards, parts and wires as seen while soldering: mirrored."
    : "Boards, parts and wires as seen from the parts side.",
  make: async (design) => {
    const wires = wiresOf(design);
    if (wires.length === 0) return bad({ path: "circuits", message: "are none yet, so there are no wires to draw" });
    return good({
      fileName: `${fileStem(design)}-${mirrored ? "solder" : "parts"}-side.svg`,
      mediaType: "image/svg+xml",
      bytes: utf8(`${sideDrawing(design, wires, mirrored)}\n`),
    });
  },
});

export const partsSideSvg = sideFile("wires-parts-side-svg", "Wires from the parts side", false);
export const solderSideSvg = sideFile("wires-solder-side-svg", "Wires from the solder side", true);

const cells = (tag: "td" | "th", values: (string | number)[]) =>
  `<tr>${values.map((value) => `<${tag}>${escapeXml(String(value))}</${tag}>`).join("")}</tr>`;

const table = (head: string[], rows: (string | number)[][]) =>
  `<table><thead>${cells("th", head)}</thead><tbody>${rows.map((row) => cells("td", row)).join("")}</tbody></table>`;

const TITLE: Record<Phase, string> = {
  rows: "Rows",
  columns: "Columns, insulated",
  branches: "Branches to added parts",
  supply: "Supply and ground",
  leads: "Leads to the controller",
  links: "Links between boards",
};

function phaseTable(wires: Wire[], phase: Phase, done: Set<string>): string {
  const rows = wires.flatMap((wire, nth) =>
    wire.phase === phase
      ? [
          [
            done.has(wire.key) ? "☑" : "☐",
            nth + 1,
            wire.net,
            wire.from.name,
            wire.to.name,
            `${wire.cutMm} mm`,
            wire.colour,
          ],
        ]
      : [],
  );
  return rows.length === 0
    ? ""
    : `<h2>${TITLE[phase]}</h2>${table(["", "No.", "Net", "From", "To", "Cut", "Colour"], rows)}`;
}

function sheets(design: Design, wires: Wire[]): string {
  const done = new Set(design.wires.done);
  const cut = cutList(wires).map(({ colour, mm2, cutMm, count }) => [colour, `${mm2} mm²`, `${cutMm} mm`, count]);
  const connectors = [...partConnectors(design), ...linkConnectors(design)].map(
    ({ name, pins }) =>
      `<h3>${escapeXml(name)}</h3>${table(
        ["Pin", "Contact", "Net", "To"],
        pins.map(({ number, contact, net, to }) => [number, contact, net, to]),
      )}`,
  );
  return [
    `<h1>${escapeXml(design.name)}: wires from the solder side</h1>`,
    `<p>Mirrored: what lies left here lies left while you solder. Ventilate: solder and burnt insulation give off fumes; mind your eyes when you clip leads.</p>`,
    sideDrawing(design, wires, true),
    ...phases.map((phase) => phaseTable(wires, phase, done)),
    `<h2>Cutting list</h2>${table(["Colour", "Section", "Length", "Count"], cut)}`,
    ...(connectors.length > 0 ? ["<h2>Connectors</h2>", ...connectors] : []),
  ].join("\n");
}

const STYLE =
  "@page{size:A4;margin:12mm}body{font:10pt sans-serif;margin:12mm}@media print{body{margin:0}}svg{max-width:100%;height:auto}table{border-collapse:collapse;width:100%}td,th{border-bottom:0.3pt solid #999;padding:1.5pt 4pt;text-align:left}tr{break-inside:avoid}h2{break-after:avoid}";

export const wireSheets: Artifact = {
  id: "wire-sheets",
  title: "Wire sheets for the bench",
  purpose: "The solder side, every wire in the order of the work with a place to tick, cutting list and connectors.",
  make: async (design) => {
    const wires = wiresOf(design);
    if (wires.length === 0) return bad({ path: "circuits", message: "are none yet, so there are no wires to list" });
    const text = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeXml(design.name)}: wires</title><style>${STYLE}</style></head><body>${sheets(design, wires)}</body></html>\n`;
    return good({ fileName: `${fileStem(design)}-wire-sheets.html`, mediaType: "text/html", bytes: utf8(text) });
  },
};
