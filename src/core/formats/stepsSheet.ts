import { assemblyOf } from "../assembly/assembly";
import { cautionWords } from "../assembly/cautions";
import { doneSteps } from "../assembly/progress";
import { USUAL_LEARNING, paceOf } from "../assembly/pace";
import type { Step } from "../assembly/step";
import { type TimeWish, spanWords, stepSpan, totalSpan } from "../assembly/time";
import { toolWords } from "../assembly/toolWords";
import { bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { wiresOf } from "../wires/wires";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { stepDrawing } from "./stepDrawing";
import { escapeXml } from "./svgText";

const list = (title: string, lines: string[], kind = "") =>
  lines.length === 0
    ? ""
    : `<h3>${title}</h3><ul class="${kind}">${lines.map((line) => `<li>${escapeXml(line)}</li>`).join("")}</ul>`;

const SIDES: Record<NonNullable<Step["face"]>, string> = {
  front: "parts side up",
  inside: "parts side up, plate off",
  back: "solder side up, mirrored",
};

/** Wires of a step, end by end. */
function wireRows(design: Design, { wires }: Step): string {
  if (wires.length === 0) return "";
  const own = new Set(wires);
  const done = new Set(design.wires.done);
  const rows = wiresOf(design)
    .filter(({ key }) => own.has(key))
    .map(
      ({ key, net, from, to, cutMm, colour }) =>
        `<tr>${[done.has(key) ? "☑" : "☐", net, from.name, to.name, `${cutMm} mm`, colour].map((cell) => `<td>${escapeXml(cell)}</td>`).join("")}</tr>`,
    );
  return `<table><thead><tr><th></th><th>Net</th><th>From</th><th>To</th><th>Cut</th><th>Colour</th></tr></thead><tbody>${rows.join("")}</tbody></table>`;
}

function stepPart(design: Design, step: Step, nth: number, isDone: boolean, wish: TimeWish): string {
  const side = step.face === null ? "" : `, ${SIDES[step.face]}`;
  const note = design.build?.notes ?? {};
  return `<section><h2>${isDone ? "☑" : "☐"} ${nth + 1}. ${escapeXml(step.title)}</h2>
<p class="by">${toolWords[step.tool]}${side}; ${spanWords(stepSpan(step, wish))}</p>
${step.cautions.map((sort) => `<p class="caution">${escapeXml(cautionWords[sort])}</p>`).join("")}
<div class="two"><div>${list("Needed", step.needs)}${list("Do", step.how)}${list(
    "Check",
    step.checks.map((line) => `☐ ${line}`),
    "ticks",
  )}${list("Note", Object.hasOwn(note, step.id) ? [note[step.id]] : [])}</div><div>${stepDrawing(design, step)}</div></div>
${wireRows(design, step)}</section>`;
}

const STYLE =
  "@page{size:A4;margin:12mm}body{font:10pt sans-serif;margin:12mm}@media print{body{margin:0}}section{border-top:0.4pt solid #999;padding-top:2mm;margin-top:4mm}h2{font-size:12pt;margin:0;break-after:avoid}h3{font-size:9pt;margin:1.5mm 0 0}ul{margin:0;padding-left:5mm}.by{margin:0;color:#555;break-after:avoid}ul.ticks{list-style:none;padding-left:0}.caution{border-left:1.2mm solid #b3372b;padding-left:2mm;margin:1mm 0;break-after:avoid}.two{display:grid;grid-template-columns:1fr 1fr;gap:4mm;break-inside:avoid}svg{width:100%;height:auto;max-height:75mm}table{border-collapse:collapse;width:100%;font-size:9pt}td,th{border-bottom:0.3pt solid #999;padding:1pt 4pt;text-align:left}tr{break-inside:avoid}";

function sheet(design: Design): string {
  const wish: TimeWish = { pace: paceOf([]), device: 1, learning: USUAL_LEARNING };
  const { steps, order } = assemblyOf(design);
  const done = doneSteps(design, steps);
  const words = `${steps.length} steps, ${spanWords(totalSpan(steps, wish))} the first time; turned over or changed ${order.turns} times, ${order.changes} times another tool.`;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeXml(design.name)}: steps</title><style>${STYLE}</style></head><body><h1>${escapeXml(design.name)}: steps</h1><p>${words}</p>
${steps.map((step, nth) => stepPart(design, step, nth, done.has(step.id), wish)).join("\n")}</body></html>\n`;
}

export const stepsSheet: Artifact = {
  id: "steps-sheet",
  title: "Step sheets for the bench",
  purpose:
    "Every step in its order with what it needs, a picture from the right side, what to check, and wires to tick off.",
  make: async (design) =>
    assemblyOf(design).steps.length === 0
      ? bad({ path: "controls", message: "are none yet, so there is nothing to put together" })
      : good({ fileName: `${fileStem(design)}-steps.html`, mediaType: "text/html", bytes: utf8(sheet(design)) }),
};
