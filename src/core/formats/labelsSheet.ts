import { bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { partsList } from "../purchase/partsList";
import { wiresByHand } from "../wires/wiresByHand";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { escapeXml } from "./svgText";

/** Labels for bags: 3 by 8 of 70 × 37 mm on A4, the usual sheet of 24 (common practice). For wires: narrow flags, folded over the wire. */
const STYLE =
  "@page{size:A4;margin:0}body{margin:0;font:9pt sans-serif}.sheet{width:210mm;display:grid;break-after:page}.bags{grid-template-columns:repeat(3,70mm);grid-auto-rows:37mm}.flags{grid-template-columns:repeat(4,52.5mm);grid-auto-rows:12mm}.sheet>div{border:0.2pt dotted #999;padding:2.5mm 3mm;overflow:hidden;box-sizing:border-box}b{font-size:10pt}.count{float:right;font-weight:bold}.which{color:#333;font-size:7pt;overflow-wrap:anywhere}.flags>div{padding:1mm 1.5mm;font-size:7pt}";

const BAGS_A_SHEET = 24;
const FLAGS_A_SHEET = 96;
const MOST_WHICH = 150;

function shortened(names: string[]): string {
  const all = names.join(", ");
  return all.length <= MOST_WHICH ? all : `${all.slice(0, MOST_WHICH)} …`;
}

/** One label for each line of the parts list. */
const bags = (design: Design): string[] =>
  partsList(design).map(
    ({ name, count, unit, of }) =>
      `<div><span class="count">${unit === "m" ? `${count.toFixed(2)} m` : `${count} ×`}</span><b>${escapeXml(name)}</b><div class="which">${escapeXml(shortened(of))}</div></div>`,
  );

/** One flag for each wire, with both ends. */
const flags = (design: Design): string[] =>
  wiresByHand(design).map(
    ({ net, from, to, cutMm, colour }) =>
      `<div><b>${escapeXml(net)}</b> ${cutMm} mm ${escapeXml(colour)}<br>${escapeXml(from.name)} → ${escapeXml(to.name)}</div>`,
  );

function sheetsOf(kind: "bags" | "flags", labels: string[], most: number): string[] {
  const count = Math.ceil(labels.length / most);
  return Array.from(
    { length: count },
    (_, nth) => `<section class="sheet ${kind}">${labels.slice(nth * most, (nth + 1) * most).join("")}</section>`,
  );
}

export const labelsSheet: Artifact = {
  id: "labels-sheet",
  title: "Labels for bags and wires",
  purpose: "A label for each line of the parts list, 24 on a sheet, and a flag for each wire with both ends.",
  make: async (design) => {
    const all = bags(design);
    if (all.length === 0) return bad({ path: "controls", message: "are none yet, so there is nothing to label" });
    const sheets = [...sheetsOf("bags", all, BAGS_A_SHEET), ...sheetsOf("flags", flags(design), FLAGS_A_SHEET)];
    const text = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeXml(design.name)}: labels</title><style>${STYLE}</style></head><body>${sheets.join("\n")}</body></html>\n`;
    return good({ fileName: `${fileStem(design)}-labels.html`, mediaType: "text/html", bytes: utf8(text) });
  },
};
