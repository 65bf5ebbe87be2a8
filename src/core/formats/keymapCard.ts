import { axisUsePhrase } from "../axisUses";
import { phraseOf } from "../bindings";
import { kindOf } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import { bad, good } from "../document/problem";
import type { Design, Layer } from "../document/schema";
import { togetherInput } from "../document/keyRules";
import { type Ring, outlineRing } from "../geometry/ring";
import { phraseContextOf } from "../keymap/phraseContext";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { fitLines } from "./fitLines";
import { boxAround, escapeXml, ringData } from "./svgText";

/** A4 across, what printers leave white, and the room of the drawing under the head line; mm. */
const PAGE = { width: 297, height: 210, margin: 10, head: 12, drawing: 120 };
/** No letter is smaller than this, so that the card printed at 80 % still has letters of 2 mm (common practice). */
const SMALLEST_MM = 2.5;
const LARGEST_MM = 4.2;
const LIST_MM = 2.9;
const LIST_LINE_MM = 4.1;
const LIST_COLUMNS = 3;
/** Width of a letter of a sans-serif face, as a share of its size. */
const LETTER = 0.56;
const SIZES = { smallest: SMALLEST_MM, largest: LARGEST_MM, letter: LETTER };

/** A control on the card: its outlines, what it does there, and whether that comes from the base. */
interface CardCap {
  rings: Ring[];
  at: { xMm: number; yMm: number };
  widthMm: number;
  heightMm: number;
  rotationDeg: number;
  label: string;
  /** A phrase for each of its inputs that does something. */
  said: { input: string; phrase: string }[];
  isBeneath: boolean;
}

function capsOf(design: Design, layer: Layer): CardCap[] {
  const context = phraseContextOf(design);
  const { capPieces } = derive(design);
  const [base] = design.keymap.layers;
  return design.controls.flatMap((control, nth): CardCap[] => {
    const inputs = kindOf(control).inputs(control);
    if (inputs.length === 0) return [];
    const rings = capPieces.filter(({ owner }) => owner === nth).map(({ outline }) => outlineRing(outline));
    const own = inputs.some(({ id }) => Object.hasOwn(layer.bindings, id));
    const from = own ? layer : base;
    const said = inputs.flatMap(({ id, label }) =>
      Object.hasOwn(from.bindings, id) ? [{ input: label, phrase: phraseOf(from.bindings[id], context) }] : [],
    );
    const moved = kindOf(control)
      .elements(control)
      .flatMap(({ id, label }) => {
        const use = layer.axes?.[id] ?? base.axes?.[id];
        return use ? [{ input: label, phrase: axisUsePhrase(use) }] : [];
      });
    const isKey = control.kind === "key";
    return [
      {
        rings,
        at: control.placement,
        widthMm: isKey ? control.widthU * design.pitch.xMm - 2 : 12,
        heightMm: isKey ? control.heightU * design.pitch.yMm - 2 : 12,
        rotationDeg: control.placement.rotationDeg,
        label: control.label,
        said: [...said, ...moved],
        isBeneath: !own && layer !== base,
      },
    ];
  });
}

/** Keys together have no cap of their own. */
function withTogether(design: Design, layer: Layer, { svg, list }: Drawn): Drawn {
  const context = phraseContextOf(design);
  const sets = derive(design).bindable.filter(
    ({ id }) => id.endsWith(togetherInput("")) && Object.hasOwn(layer.bindings, id),
  );
  return {
    svg,
    list: [...list, ...sets.map(({ id, label }) => `${label} together: ${phraseOf(layer.bindings[id], context)}`)],
  };
}

interface Drawn {
  svg: string;
  /** What did not fit on caps, by its number there. */
  list: string[];
}

function draw(caps: CardCap[]): Drawn {
  const box = boxAround(
    caps.flatMap(({ rings, at }) => [...rings, [at]]),
    2,
  );
  const [width, height] = [box.maxXMm - box.minXMm, box.maxYMm - box.minYMm];
  const scale = Math.min((PAGE.width - 2 * PAGE.margin) / width, PAGE.drawing / height, 2);
  const list: string[] = [];
  const cells = caps.map((cap) => {
    const words = cap.said.length === 1 ? cap.said[0].phrase : cap.said.length === 0 ? "–" : null;
    const room = { width: cap.widthMm * scale - 1, height: cap.heightMm * scale - 1 };
    const fit = words === null ? null : fitLines(words, room, SIZES);
    if (!fit) list.push(`${list.length + 1}  ${cap.label}: ${sayAll(cap)}`);
    return cell(cap, fit ?? numbered(cap.label, list.length, room), scale);
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${(width * scale).toFixed(2)}mm" height="${(height * scale).toFixed(2)}mm" viewBox="${box.minXMm} ${box.minYMm} ${width} ${height}">${cells.join("\n")}</svg>`;
  return { svg, list };
}

/** A cap whose words stand beneath: its name, where there is room, and the number there. */
const numbered = (label: string, number: number, room: { width: number; height: number }) =>
  fitLines(`${label} (${number})`, room, SIZES) ?? { lines: [`(${number})`], size: SMALLEST_MM };

const sayAll = ({ said, label }: CardCap) =>
  said
    .map(({ input, phrase }) => (input === label ? phrase : `${input.replace(label, "").trim()} ${phrase}`))
    .join("; ");

function cell(cap: CardCap, { lines, size }: { lines: string[]; size: number }, scale: number): string {
  const outline = cap.rings
    .map(
      (ring) => `<path d="${ringData(ring)}" fill="none" stroke="#666" stroke-width="${(0.25 / scale).toFixed(3)}"/>`,
    )
    .join("");
  const mm = size / scale;
  const first = -((lines.length - 1) / 2) * mm * 1.15 + mm * 0.35;
  const texts = lines
    .map(
      (line, nth) =>
        `<text y="${(first + nth * mm * 1.15).toFixed(3)}" font-size="${mm.toFixed(3)}">${escapeXml(line)}</text>`,
    )
    .join("");
  const { xMm, yMm } = cap.at;
  return `${outline}<g transform="translate(${xMm} ${yMm}) rotate(${cap.rotationDeg})" text-anchor="middle"${cap.isBeneath ? ' fill="#777"' : ""}>${texts}</g>`;
}

const linesBelow = (fromMm: number) =>
  LIST_COLUMNS * Math.max(0, Math.floor((PAGE.height - PAGE.margin - fromMm) / LIST_LINE_MM));

/** A list entry may take several lines of its column; those are counted. */
const CHARACTERS_A_LINE = Math.floor((PAGE.width - 2 * PAGE.margin) / LIST_COLUMNS / (LIST_MM * LETTER)) - 2;
const linesOf = (entry: string) => Math.ceil(entry.length / CHARACTERS_A_LINE) + 1;

/** As many entries as so many lines hold, and the others. */
function split(list: string[], lines: number): [string[], string[]] {
  let left = lines;
  const fits = list.findIndex((entry) => (left -= linesOf(entry)) < 0);
  return fits < 0 ? [list, []] : [list.slice(0, fits), list.slice(fits)];
}

function pages(title: string, { svg, list }: Drawn): string[] {
  const page = (head: string, body: string, entries: string[]) =>
    `<section><h1>${escapeXml(head)}</h1>${body}<ol>${entries.map((entry) => `<li>${escapeXml(entry)}</li>`).join("")}</ol></section>`;
  const [first, others] = split(list, linesBelow(PAGE.margin + PAGE.head + PAGE.drawing + 4));
  const more: string[] = [];
  for (let left = others; left.length > 0;) {
    const [now, rest] = split(left, linesBelow(PAGE.margin + PAGE.head));
    const taken = now.length > 0 ? now : left.slice(0, 1);
    more.push(page(`${title}, continued`, "", taken));
    left = now.length > 0 ? rest : left.slice(1);
  }
  return [page(title, svg, first), ...more];
}

const STYLE = `@page{size:A4 landscape;margin:0}body{margin:0;font-family:sans-serif}section{break-after:page;box-sizing:border-box;width:${PAGE.width}mm;height:${PAGE.height}mm;padding:${PAGE.margin}mm;overflow:hidden}h1{font-size:5mm;line-height:${PAGE.head}mm;height:${PAGE.head}mm;margin:0}svg{display:block;margin:0 auto}ol{list-style:none;margin:4mm 0 0;padding:0;columns:${LIST_COLUMNS};font-size:${LIST_MM}mm;line-height:${LIST_LINE_MM}mm}li{break-inside:avoid}`;

export const keymapCard: Artifact = {
  id: "keymap-card",
  title: "Keymap card to print",
  purpose:
    "Each layer on an A4 page across, readable printed at 80 %; what does not fit on a cap stands beneath, by number.",
  make: async (design) => {
    if (derive(design).inputs.length === 0) return bad({ path: "controls", message: "have nothing to press yet" });
    const { layers } = design.keymap;
    const all = layers.flatMap((layer, nth) =>
      pages(
        `${design.name}: ${layer.name}${nth === 0 && layer.name !== "Base" ? " (base)" : ""}, ${nth + 1} of ${layers.length}`,
        withTogether(design, layer, draw(capsOf(design, layer))),
      ),
    );
    const text = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeXml(design.name)}: keymap</title><style>${STYLE}</style></head><body>${all.join("\n")}</body></html>\n`;
    return good({ fileName: `${fileStem(design)}-keymap-card.html`, mediaType: "text/html", bytes: utf8(text) });
  },
};
