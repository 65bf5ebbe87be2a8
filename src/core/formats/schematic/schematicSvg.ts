import type { Design } from "../../document/schema";
import { bad, good } from "../../document/problem";
import { type Artifact, fileStem, utf8 } from "../artifact";
import { escapeXml } from "../svgText";
import { type Circle, type Drawing, type Lead, type Line, type Spot, type Text, textOf, textWidth } from "./drawing";
import { SHEET, type Sheet, schematicSheets } from "./sheets";

const num = (value: number) => String(Math.round(value * 1000) / 1000 + 0);
const data = (points: Spot[], closed?: true) =>
  `M${points.map(([x, y]) => `${num(x)} ${num(y)}`).join("L")}${closed ? "Z" : ""}`;

const lineSvg = ({ role, points, closed, filled }: Line) =>
  `<path class="${role}${filled ? " filled" : ""}" d="${data(points, closed)}"/>`;

const circleSvg = ({ at: [x, y], radius, filled }: Circle) =>
  `<circle class="${filled ? "dot" : "symbol"}" cx="${num(x)}" cy="${num(y)}" r="${num(radius)}"/>`;

const leadSvg = ({ part, end, number, points }: Lead) =>
  `<path class="lead" data-part="${escapeXml(part)}" data-end="${escapeXml(end)}" data-number="${number}" d="${data(points)}"/>`;

/** The width is stated, so that the drawing fits whatever typeface the reader's machine has. */
const textSvg = (text: Text) =>
  `<text class="${text.role}" x="${num(text.at[0])}" y="${num(text.at[1])}" font-size="${num(text.size)}" text-anchor="${text.anchor}" textLength="${num(textWidth(text))}" lengthAdjust="spacingAndGlyphs">${escapeXml(text.text)}</text>`;

const drawingSvg = ({ lines, circles, leads, texts }: Drawing) =>
  [...lines.map(lineSvg), ...leads.map(leadSvg), ...circles.map(circleSvg), ...texts.map(textSvg)].join("\n");

/** Frame, title and number of a sheet. */
function frame(design: Design, sheet: Sheet, nth: number, count: number): Drawing {
  const [left, top, right, bottom] = [8, 8, SHEET.width - 8, SHEET.height - 8];
  const titleY = SHEET.height - 17;
  const base = SHEET.height - 11;
  const line = (points: Spot[], closed?: true): Line => ({ role: "frame", points, ...(closed ? { closed } : {}) });
  return {
    lines: [
      line(
        [
          [left, top],
          [right, top],
          [right, bottom],
          [left, bottom],
        ],
        true,
      ),
      line([
        [left, titleY],
        [right, titleY],
      ]),
    ],
    circles: [],
    leads: [],
    texts: [
      textOf("title", design.name, [left + 4, base], "start", 110),
      textOf("title", sheet.title, [left + 122, base], "start", 110),
      textOf("title", `sheet ${nth + 1} of ${count}`, [right - 4, base], "end", 40),
    ],
  };
}

const STYLE =
  "path,circle{fill:none;stroke:#000;stroke-width:.3;stroke-linecap:round;stroke-linejoin:round}.wire{stroke:#14508c}.frame{stroke-width:.2}.filled,.dot{fill:#000}.dot{fill:#14508c;stroke:none}text{font-family:monospace;fill:#000}.net{fill:#14508c}.note,.number{fill:#444}";

/** One sheet by itself; `at` is where its top lies. */
const sheetSvg = (design: Design, sheet: Sheet, nth: number, count: number, topMm: number) =>
  `<g class="sheet" transform="translate(0 ${num(topMm)})"><title>${escapeXml(sheet.title)}</title>
${drawingSvg(frame(design, sheet, nth, count))}
${drawingSvg(sheet.drawing)}
</g>`;

const svg = (heightMm: number, content: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${SHEET.width}mm" height="${num(heightMm)}mm" viewBox="0 0 ${SHEET.width} ${num(heightMm)}"><style>${STYLE}</style>
<rect width="100%" height="100%" fill="#fff"/>
${content}
</svg>`;

/** Every sheet by itself. */
export function schematicPages(design: Design): { title: string; svg: string }[] {
  const sheets = schematicSheets(design);
  return sheets.map((sheet, nth) => ({
    title: sheet.title,
    svg: svg(SHEET.height, sheetSvg(design, sheet, nth, sheets.length, 0)),
  }));
}

/** All sheets, one under another. */
export function schematicText(design: Design): string {
  const sheets = schematicSheets(design);
  const all = sheets.map((sheet, nth) => sheetSvg(design, sheet, nth, sheets.length, nth * SHEET.height));
  return `${svg(sheets.length * SHEET.height, all.join("\n"))}\n`;
}

const NOTHING = { path: "circuits", message: "are none yet, so there is nothing to draw" };

export const schematicSvg: Artifact = {
  id: "schematic-svg",
  title: "Circuit drawing (SVG)",
  purpose: "Every circuit in symbols, one sheet a function, with nets by name: one drawing, sheet under sheet.",
  make: async (design) => {
    if (schematicSheets(design).length === 0) return bad(NOTHING);
    return good({
      fileName: `${fileStem(design)}-circuits.svg`,
      mediaType: "image/svg+xml",
      bytes: utf8(schematicText(design)),
    });
  },
};

export const schematicSheetsHtml: Artifact = {
  id: "schematic-sheets",
  title: "Circuit drawing for paper",
  purpose: "The same on A4 pages, ready to print.",
  make: async (design) => {
    const pages = schematicPages(design);
    if (pages.length === 0) return bad(NOTHING);
    const body = pages.map(({ svg: page }) => `<section>${page}</section>`).join("\n");
    const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeXml(design.name)}: circuits</title><style>@page{size:A4 landscape;margin:0}body{margin:0}section{break-after:page;width:297mm;height:210mm;overflow:hidden}svg{display:block}</style></head><body>${body}</body></html>\n`;
    return good({ fileName: `${fileStem(design)}-circuits.html`, mediaType: "text/html", bytes: utf8(html) });
  },
};
