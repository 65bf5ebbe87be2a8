import { base64 } from "../base64";
import { type Control, kindNamed } from "../catalogue/kinds";
import { comparisonOf } from "../compare/comparison";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { keymapLines } from "../formats/keymapWords";
import { escapeXml } from "../formats/svgText";
import { stepDrawing } from "../formats/stepDrawing";
import { wireDrawing } from "../formats/wireDrawing";
import type { Attached } from "../journal/attached";
import { minutesWords, partWords, spendingWords } from "../journal/entryWords";
import { planAndReal } from "../journal/planAndReal";
import { revisionsOf } from "../journal/revisions";
import { type RecordLine, timelineOf } from "../journal/timeline";
import { partsList } from "../purchase/partsList";
import { counted } from "../words";
import { wiresOf } from "../wires/wires";

/** A part of the book: its heading and what stands under it; empty where there is nothing to say. */
export interface BookPage {
  title: string;
  html: string;
}

const paragraph = (words: string) => (words === "" ? "" : `<p>${escapeXml(words)}</p>`);

const row = (tag: "td" | "th", cells: (string | number)[]) =>
  `<tr>${cells.map((cell) => `<${tag}>${escapeXml(String(cell))}</${tag}>`).join("")}</tr>`;

const table = (heads: string[], rows: (string | number)[][]) =>
  rows.length === 0
    ? ""
    : `<table><thead>${row("th", heads)}</thead><tbody>${rows.map((cells) => row("td", cells)).join("")}</tbody></table>`;

const list = (lines: string[]) =>
  lines.length === 0 ? "" : `<ul>${lines.map((line) => `<li>${escapeXml(line)}</li>`).join("")}</ul>`;

/** "12 keys, 2 encoders": what it consists of. */
function kindsLine({ controls }: Design): string {
  const counts = new Map<Control["kind"], number>();
  for (const { kind } of controls) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, count]) => `${count} × ${kindNamed(kind).title.toLowerCase()}`).join(", ");
}

/** The whole device from the parts side with its names, every part lit. */
const portrait = (design: Design): string =>
  stepDrawing(design, {
    face: "front",
    boardId: null,
    wires: [],
    lit: {
      controls: design.controls.map(({ id }) => id),
      chips: [],
      controllers: design.controllers.map(({ id }) => id),
    },
  });

export function devicePage(design: Design): BookPage {
  const { nets, controllers } = derive(design);
  const facts: [string, string | number][] = [
    ["Parts to touch and see", kindsLine(design) || "none"],
    ["Boards", design.boards.map(({ name }) => name).join(", ")],
    [
      "Controllers",
      controllers.map(({ profile }) => profile?.title ?? "one that is not known here").join(", ") || "none",
    ],
    ["Nets", nets.length],
    ["Layers", design.keymap.layers.map(({ name }) => name).join(", ")],
    ["Tells the computer", design.reportSet.interfaces.join(", ") || "nothing"],
  ];
  const picture = design.controls.length === 0 ? "" : `<figure>${portrait(design)}</figure>`;
  return { title: "The device", html: paragraph(design.note) + picture + table(["What", "Of this device"], facts) };
}

export function wiringPage(design: Design): BookPage {
  const wires = wiresOf(design);
  if (wires.length === 0) return { title: "Wiring", html: "" };
  const ids = design.boards.map(({ id }) => id);
  const { netById } = derive(design);
  const pins = Object.entries(design.pinPlan).map(([netId, { pin, controllerId }]) => [
    netById.get(netId)?.flag ?? netId,
    pin,
    `A${1 + design.controllers.findIndex(({ id }) => id === controllerId)}`,
  ]);
  return {
    title: "Wiring",
    html: `${paragraph(`${counted(wires.length, "wire")}, seen from the solder side: mirrored.`)}<figure>${wireDrawing(design, wires, ids, true)}</figure>${table(["Net", "Pin", "Controller"], pins)}`,
  };
}

export function keymapPage(design: Design): BookPage {
  const lines = derive(design).bindable.length === 0 ? [] : keymapLines(design);
  return { title: "Keymap", html: lines.length === 0 ? "" : `<pre>${escapeXml(lines.join("\n").trimEnd())}</pre>` };
}

export function partsPage(design: Design): BookPage {
  const rows = partsList(design).map(({ name, count, unit, priceEach }) => [
    name,
    unit === "m" ? `${count.toFixed(2)} m` : count,
    priceEach === null ? "not known" : (priceEach * count).toFixed(2),
  ]);
  return { title: "Parts", html: table(["Part", "How many", "Usual price"], rows) };
}

export function findingsPage(design: Design): BookPage {
  const all = findingsOf(design);
  const accepted = all
    .filter((one) => one.accepted !== undefined)
    .map(({ message, accepted = "" }) => [message, accepted]);
  const open = all.filter((one) => one.accepted === undefined && one.severity !== "note").map(({ message }) => message);
  const html = [
    accepted.length > 0
      ? `<h3>Left as they are, and why</h3>${table(["What was found", "Why it stays"], accepted)}`
      : "",
    open.length > 0 ? `<h3>To settle</h3>${list(open)}` : "",
  ].join("");
  return { title: "What the rules found", html: html || paragraph("Nothing is open, and nothing was left as it is.") };
}

export function outcomePage(design: Design): BookPage {
  const { time, money } = planAndReal(design);
  const sorts = time.sorts
    .filter(({ timed }) => timed > 0)
    .map(({ title, timed, steps, plannedOfTimed, real }) => [
      title,
      `${timed} of ${steps}`,
      minutesWords(plannedOfTimed),
      minutesWords(real),
    ]);
  const noted = time.noted.map(({ stage, minutes }) => [stage ?? "without a stage", minutesWords(minutes)]);
  const spent = money.by.map(({ spentOn, amount }) => [spendingWords[spentOn], amount.toFixed(2)]);
  const html = [
    sorts.length > 0 ? `<h3>Timed steps</h3>${table(["Sort of work", "Timed", "Reckoned", "Took"], sorts)}` : "",
    noted.length > 0 ? `<h3>Time noted</h3>${table(["For", "Took"], noted)}` : "",
    spent.length > 0
      ? `<h3>Money</h3>${table(["For", "Spent"], [...spent, ["all together", money.real.toFixed(2)]])}${paragraph(`Reckoned for ${counted(money.devices, "device")}: ${money.planned.toFixed(2)}${money.unpriced > 0 ? `, without ${counted(money.unpriced, "line")} of unknown price` : ""}.`)}`
      : "",
  ].join("");
  return { title: "Plan and outcome", html };
}

/** What each revision changed against the one before it, in words. */
export function revisionsPage(design: Design, { revisions }: Attached): BookPage {
  const frozen = new Map(revisions.map((one) => [one.id, one.design]));
  const entries = revisionsOf(design);
  const parts = entries.map(({ id, at, text }, nth) => {
    const own = frozen.get(id);
    const next = nth + 1 < entries.length ? frozen.get(entries[nth + 1].id) : design;
    const head = `<h3>${escapeXml(text || `Revision ${nth + 1}`)}, frozen ${at.slice(0, 10)}</h3>`;
    if (!own || !next) return `${head}${paragraph("The frozen design does not lie beside this one.")}`;
    const { differences, findings, cost } = comparisonOf(own, next);
    const told = differences.filter(({ sort }) => sort !== "record").map(({ words }) => words);
    const money = `Parts at usual prices: ${cost.before.toFixed(2)} then, ${cost.after.toFixed(2)} after.`;
    return `${head}${told.length === 0 ? paragraph("Nothing changed after it.") : `${paragraph("After it:")}${list(told)}`}${list(findings.gone.map((words) => `Settled: ${words}`))}${list(findings.fresh.map((words) => `New: ${words}`))}${paragraph(money)}`;
  });
  return { title: "Revisions", html: parts.join("") };
}

const photoTags = ({ photos }: RecordLine, pictures: Map<string, string>) =>
  photos.flatMap((id) => (pictures.has(id) ? [`<img src="${pictures.get(id)}" alt="">`] : [])).join("");

export function journalPage(design: Design, { photos }: Attached): BookPage {
  const pictures = new Map(photos.map(({ id, mediaType, bytes }) => [id, `data:${mediaType};base64,${base64(bytes)}`]));
  const lines = timelineOf(design).map((line) => {
    const { at, kindWords, text, value, entry } = line;
    const about = partWords(design, entry?.parts);
    const head = [at.slice(0, 16).replace("T", " "), kindWords, value, about && `about ${about}`]
      .filter(Boolean)
      .join(" · ");
    const state = entry?.isDone ? " (mended)" : "";
    return `<section class="entry"><p class="by">${escapeXml(head)}${state}</p><p class="said">${escapeXml(text)}</p>${photoTags(line, pictures)}</section>`;
  });
  return { title: "Journal", html: lines.join("") };
}
