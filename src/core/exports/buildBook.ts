import { good } from "../document/problem";
import type { Design } from "../document/schema";
import { type Artifact, fileStem, utf8 } from "../formats/artifact";
import { escapeXml } from "../formats/svgText";
import { type Attached, nothingAttached } from "../journal/attached";
import {
  type BookPage,
  devicePage,
  findingsPage,
  journalPage,
  keymapPage,
  outcomePage,
  partsPage,
  revisionsPage,
  wiringPage,
} from "./bookPages";

const STYLE =
  "@page{size:A4;margin:14mm}body{font:10pt sans-serif;margin:14mm auto;max-width:182mm}@media print{body{margin:0}}h1{font-size:20pt;margin:0 0 4mm}h2{font-size:14pt;border-top:0.6pt solid #000;padding-top:3mm;margin:8mm 0 3mm;break-after:avoid}h3{font-size:11pt;margin:4mm 0 1mm;break-after:avoid}figure{margin:3mm 0;break-inside:avoid}svg{width:100%;height:auto;max-height:150mm}table{border-collapse:collapse;width:100%;font-size:9pt;margin:2mm 0}td,th{border-bottom:0.3pt solid #999;padding:1pt 4pt;text-align:left;vertical-align:top}tr{break-inside:avoid}ul{margin:1mm 0;padding-left:5mm}.entry{border-top:0.3pt solid #999;padding:1.5mm 0;break-inside:avoid}.by{margin:0;color:#555;font-size:9pt}.said{margin:0.5mm 0;white-space:pre-wrap}img{max-width:86mm;max-height:80mm;margin:1mm 3mm 1mm 0}pre{white-space:pre-wrap;font:9pt monospace}nav li{list-style:none}nav ul{padding:0}";

const chapters = (design: Design, attached: Attached): BookPage[] =>
  [
    devicePage(design),
    wiringPage(design),
    keymapPage(design),
    partsPage(design),
    findingsPage(design),
    outcomePage(design),
    revisionsPage(design, attached),
    journalPage(design, attached),
  ].filter(({ html }) => html !== "");

function book(design: Design, attached: Attached): string {
  const pages = chapters(design, attached);
  const contents = pages.map(({ title }, nth) => `<li><a href="#c${nth + 1}">${nth + 1}. ${title}</a></li>`).join("");
  const body = pages.map(({ title, html }, nth) => `<h2 id="c${nth + 1}">${nth + 1}. ${title}</h2>${html}`).join("\n");
  const name = escapeXml(design.name);
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${name}: build book</title><style>${STYLE}</style></head><body><h1>${name}</h1><nav><ul>${contents}</ul></nav>
${body}</body></html>\n`;
}

export const buildBook: Artifact = {
  id: "build-book",
  title: "Build book",
  purpose:
    "One document to print: pictures, tables, what was found and left, plan and outcome, revisions, journal, photos.",
  make: async (design, attached = nothingAttached) =>
    good({
      fileName: `${fileStem(design)}-build-book.html`,
      mediaType: "text/html",
      bytes: utf8(book(design, attached)),
    }),
};
