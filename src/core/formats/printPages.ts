import { type SheetBox, escapeXml, svgOpen } from "./svgText";

/** Paper of ISO 216 and what printers leave white at its edge (from memory). */
const PAGE = { widthMm: 210, heightMm: 297, marginMm: 10 };
/** Neighbouring pages show the same strip, so that they can be glued. */
const OVERLAP_MM = 10;
/** Room for the title and the scale bar. */
const FOOT_MM = 14;

const room = {
  widthMm: PAGE.widthMm - 2 * PAGE.marginMm,
  heightMm: PAGE.heightMm - 2 * PAGE.marginMm - FOOT_MM,
};

function starts(fromMm: number, toMm: number, roomMm: number): number[] {
  const step = roomMm - OVERLAP_MM;
  const count = Math.max(1, Math.ceil((toMm - fromMm - OVERLAP_MM) / step));
  return Array.from({ length: count }, (_, nth) => fromMm + nth * step);
}

/** Ten centimetres, in steps of one, so that a ruler tells whether the printer kept the scale. */
function scaleBar(xMm: number, yMm: number): string {
  const ticks = Array.from({ length: 11 }, (_, nth) => {
    const x = xMm + nth * 10;
    return `<path d="M${x} ${yMm}v${nth % 5 === 0 ? -4 : -2.5}"/>`;
  });
  return `<g stroke="#000" stroke-width="0.2" fill="none"><path d="M${xMm} ${yMm}h100"/>${ticks.join("")}</g><text x="${xMm}" y="${yMm + 4}" font-size="3">0</text><text x="${xMm + 97}" y="${yMm + 4}" font-size="3">100 mm</text>`;
}

const marks = (x: number, y: number, w: number, h: number): string =>
  [
    [x, y],
    [x + w, y],
    [x, y + h],
    [x + w, y + h],
  ]
    .map(([mx, my]) => `<path d="M${mx - 3} ${my}h6M${mx} ${my - 3}v6" stroke="#000" stroke-width="0.1"/>`)
    .join("");

function page(content: string, xMm: number, yMm: number, title: string): string {
  const left = xMm - PAGE.marginMm;
  const top = yMm - PAGE.marginMm;
  const box = { minXMm: left, minYMm: top, maxXMm: left + PAGE.widthMm, maxYMm: top + PAGE.heightMm };
  const foot = yMm + room.heightMm + 8;
  return `<section>${svgOpen(box)}<clipPath id="c${xMm}_${yMm}"><rect x="${xMm}" y="${yMm}" width="${room.widthMm}" height="${room.heightMm}"/></clipPath><g clip-path="url(#c${xMm}_${yMm})">${content}</g>${marks(xMm, yMm, room.widthMm, room.heightMm)}${scaleBar(xMm + 2, foot)}<text x="${xMm + 112}" y="${foot}" font-size="3.6">${escapeXml(title)}</text></svg></section>`;
}

const file = (title: string, pages: string[]): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeXml(title)}</title><style>@page{size:A4 portrait;margin:0}body{margin:0;font-family:sans-serif}section{break-after:page;width:210mm;height:297mm;overflow:hidden}svg{display:block}</style></head><body>${pages.join("\n")}</body></html>\n`;

/** A drawing at 1 : 1 on as many A4 pages as it takes, as one printable file: print at 100 %, without fitting. */
export function printPages(title: string, box: SheetBox, content: string): string {
  const columns = starts(box.minXMm, box.maxXMm, room.widthMm);
  const rows = starts(box.minYMm, box.maxYMm, room.heightMm);
  const count = columns.length * rows.length;
  const pages = rows.flatMap((y, row) =>
    columns.map((x, column) =>
      page(content, x, y, `${title}, page ${row * columns.length + column + 1} of ${count}, 1 : 1`),
    ),
  );
  return file(title, pages);
}

/** A thing that is not to be cut by the edge of a page. */
export interface Whole {
  box: SheetBox;
  content: string;
}

/** Shares things out over pages from the left and from the top, each whole on one page; what is larger than a page has one to itself. */
export function wholePages(things: Whole[]): Whole[][] {
  const left = [...things].sort((a, b) => a.box.minXMm - b.box.minXMm || a.box.minYMm - b.box.minYMm);
  const pages: Whole[][] = [];
  while (left.length > 0) {
    const [first] = left;
    const column = left.filter((one) => one === first || one.box.maxXMm <= first.box.minXMm + room.widthMm);
    const top = column.reduce((a, b) => (b.box.minYMm < a.box.minYMm ? b : a));
    const onPage = column.filter((one) => one === top || one.box.maxYMm <= top.box.minYMm + room.heightMm);
    pages.push(onPage);
    for (const one of onPage) left.splice(left.indexOf(one), 1);
  }
  return pages;
}

/** Things at 1 : 1, none of them cut, on pages of their own for each group. */
export function printWhole(title: string, groups: { name: string; things: Whole[] }[]): string {
  const pages = groups.flatMap(({ name, things }) =>
    wholePages(things).map((onPage, nth, all) => ({
      onPage,
      words: `${title}${name === "" ? "" : `, ${name}`}, page ${nth + 1} of ${all.length}, 1 : 1`,
    })),
  );
  return file(
    title,
    pages.map(({ onPage, words }) => {
      const [x, y] = [
        Math.min(...onPage.map((one) => one.box.minXMm)),
        Math.min(...onPage.map((one) => one.box.minYMm)),
      ];
      return page(onPage.map(({ content }) => content).join("\n"), x, y, words);
    }),
  );
}
