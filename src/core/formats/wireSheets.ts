import { bad, good } from "../document/problem";
import type { Board, Design } from "../document/schema";
import { type Connector, linkConnectors, partConnectors } from "../wires/connectors";
import { cutList } from "../wires/cutList";
import { type Phase, type Wire, phases, wiresOf } from "../wires/wires";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { escapeXml } from "./svgText";
import { wireDrawing } from "./wireDrawing";

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
      bytes: utf8(
        `${wireDrawing(
          design,
          wires,
          design.boards.map(({ id }) => id),
          mirrored,
        )}\n`,
      ),
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

type Numbered = Wire & { number: number };

function phaseTable(wires: Numbered[], phase: Phase, done: Set<string>): string {
  const rows = wires
    .filter((wire) => wire.phase === phase)
    .map(({ key, number, net, from, to, cutMm, colour }) => [
      done.has(key) ? "☑" : "☐",
      number,
      net,
      from.name,
      to.name,
      `${cutMm} mm`,
      colour,
    ]);
  return rows.length === 0
    ? ""
    : `<h2>${TITLE[phase]}</h2>${table(["", "No.", "Net", "From", "To", "Cut", "Colour"], rows)}`;
}

const connectorTable = ({ name, pins }: Connector) =>
  `<h3>${escapeXml(name)}</h3>${table(
    ["Pin", "Contact", "Net", "To"],
    pins.map(({ number, contact, net, to }) => [number, contact, net, to]),
  )}`;

/** A board's own pages: its drawing, and every wire with both ends on it. */
function boardPages(design: Design, board: Board, wires: Numbered[], done: Set<string>): string {
  const own = wires.filter(({ from, to }) => from.boardId === board.id && to.boardId === board.id);
  const touching = wires.filter(({ from, to }) => from.boardId === board.id || to.boardId === board.id);
  if (touching.length === 0) return "";
  const name = design.boards.length === 1 ? design.name : `${design.name}, ${board.name}`;
  return `<section><h1>${escapeXml(name)}: wires from the solder side</h1>
<p>Mirrored: what lies left here lies left while you solder. The drawing is scaled to the page.</p>
${wireDrawing(design, wires, [board.id], true)}
${phases.map((phase) => phaseTable(own, phase, done)).join("\n")}</section>`;
}

function sheets(design: Design, all: Wire[]): string {
  const wires = all.map((wire, nth) => ({ ...wire, number: nth + 1 }));
  const done = new Set(design.wires.done);
  const cut = cutList(wires).map(({ colour, mm2, cutMm, count }) => [colour, `${mm2} mm²`, `${cutMm} mm`, count]);
  const links = phaseTable(wires, "links", done);
  const connectors = [...partConnectors(design), ...linkConnectors(design)];
  return [
    `<p>Ventilate: solder and burnt insulation give off fumes; mind your eyes when you clip leads.</p>`,
    ...design.boards.map((board) => boardPages(design, board, wires, done)),
    `<section><h1>${escapeXml(design.name)}: lengths${connectors.length > 0 ? " and connectors" : ""}</h1>`,
    links,
    `<h2>Cutting list</h2>${table(["Colour", "Section", "Length", "Count"], cut)}`,
    ...(connectors.length > 0 ? ["<h2>Connectors</h2>", ...connectors.map(connectorTable)] : []),
    "</section>",
  ].join("\n");
}

const STYLE =
  "@page{size:A4;margin:12mm}body{font:10pt sans-serif;margin:12mm}@media print{body{margin:0}}svg{max-width:100%;max-height:225mm;height:auto;display:block}section+section{break-before:page}table{border-collapse:collapse;width:100%}td,th{border-bottom:0.3pt solid #999;padding:1.5pt 4pt;text-align:left}tr{break-inside:avoid}h2{break-after:avoid}";

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
