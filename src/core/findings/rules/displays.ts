import type { Display } from "../../catalogue/kinds/display";
import { DISPLAYS } from "../../contract/displays";
import { type DisplayPage, type PageThing, isWrittenByRows, rowsOf, signColumns } from "../../document/displayPages";
import { hasValue } from "../../derived/valueSources";
import { toldNumber } from "../../document/lampRule";
import type { Design, Layer } from "../../document/schema";
import { derive } from "../../derived/derive";
import { changeControl } from "../../edits/controls";
import { firstPage, setPage } from "../../edits/displays";
import { signsOf, undrawnSigns } from "../../keymap/dotFont";
import { deedWords, pageThingWords } from "../../keymap/pageWords";
import { goneToldValue } from "../../keymap/toldWords";
import { type Fix, type Observation, type Rule, controlSubject, counted, listed } from "../finding";

/** What most small displays have. */
const USUAL = { widthPx: 128, heightPx: 64, bitsPerPx: 1 };

/** A page where it stands. */
interface Page {
  control: Display;
  layer: Layer;
  page: DisplayPage;
}

const without = ({ control, layer, page }: Page, gone: PageThing[]): Fix => ({
  title: `Take ${gone.length === 1 ? "it" : "them"} off the page`,
  apply: (d) =>
    setPage(
      d,
      layer.id,
      control.id,
      page.filter((thing) => !gone.includes(thing)),
    ),
});

const said = ({ control, layer }: Page, message: string, fixes: Fix[] = []): Observation => ({
  message: `${message} (${control.label}, ${layer.name}).`,
  subjects: [controlSubject(control.id)],
  fixes,
});

const isOutside = (thing: PageThing, { widthPx, heightPx }: Display) =>
  thing.column + thing.columns > widthPx || 8 * (thing.row + rowsOf(thing)) > heightPx;

const meet = (a: PageThing, b: PageThing) =>
  a.column < b.column + b.columns &&
  b.column < a.column + a.columns &&
  a.row < b.row + rowsOf(b) &&
  b.row < a.row + rowsOf(a);

/** Things that lie beyond the display's edge, and things that lie on each other. */
function misplaced(design: Design, all: Page): Observation[] {
  const { control, page } = all;
  const outside = page.filter((thing) => isOutside(thing, control));
  const covered = page.filter((thing, nth) => page.slice(0, nth).some((other) => meet(thing, other)));
  const words = (things: PageThing[]) => listed(things.map((thing) => pageThingWords(design, thing)));
  const verb = (things: PageThing[]) => (things.length === 1 ? "lies" : "lie");
  return [
    ...(outside.length === 0
      ? []
      : [
          said(
            all,
            `${words(outside)} ${verb(outside)} beyond the edge of ${control.widthPx} × ${control.heightPx} dots`,
            [without(all, outside)],
          ),
        ]),
    ...(covered.length === 0
      ? []
      : [
          said(
            all,
            `${words(covered)} ${verb(covered)} beneath what stands before ${covered.length === 1 ? "it" : "them"} on the page`,
            [without(all, covered)],
          ),
        ]),
  ];
}

/** All that a thing writes, on the layers on which it does. */
function textsOf(design: Design, thing: PageThing): string[] {
  const { layers } = design.keymap;
  if (thing.shows === "text") return [thing.text];
  if (thing.shows === "layer") return layers.map(({ name }) => name);
  return thing.shows === "deed" ? layers.map((layer) => deedWords(design, thing, layer)) : [];
}

/** Texts that do not fit, and signs that cannot be drawn. */
function unfit(design: Design, all: Page): Observation[] {
  return all.page.flatMap((thing) => {
    const texts = textsOf(design, thing);
    const undrawn = [...new Set(texts.flatMap(undrawnSigns))];
    const needed = (text: string) => signsOf(text).length * signColumns(thing);
    const long = [...new Set(texts)].filter(
      (text) => needed(text) - signColumns(thing) / DISPLAYS.CELL > thing.columns,
    );
    return [
      ...(undrawn.length === 0
        ? []
        : [said(all, `There are no dots for ${listed(undrawn)}: a box is drawn`, [without(all, [thing])])]),
      ...(long.length === 0
        ? []
        : [
            said(
              all,
              `${listed(long.map((text) => `“${text}”`))} ${long.length === 1 ? "takes" : "take"} up to ${Math.max(...long.map(needed))} columns and ${thing.columns} are there: the end is cut off`,
              [without(all, [thing])],
            ),
          ]),
    ];
  });
}

const wide = (thing: PageThing) => {
  if (thing.shows !== "value") return [];
  const cells = Math.floor(thing.columns / signColumns(thing));
  const words = [thing.low, thing.high].map((number) => (number / 10 ** thing.point).toFixed(thing.point));
  return words.filter(({ length }) => length > cells);
};

/** Numbers with more digits than there is room for. */
const tooWide = (all: Page): Observation[] =>
  all.page.flatMap((thing) => {
    const numbers = wide(thing);
    return numbers.length === 0
      ? []
      : [
          said(
            all,
            `${listed(numbers)} ${numbers.length === 1 ? "has" : "have"} more signs than the ${Math.floor(thing.columns / signColumns(thing))} there is room for: minus signs are shown`,
            [without(all, [thing])],
          ),
        ];
  });

/** What tells of an input or a value that is gone. */
function lost(design: Design, all: Page): Observation[] {
  const { inputs } = derive(design);
  const isThere = (id: string) => (toldNumber(id) >= 0 ? goneToldValue(design, id) === null : hasValue(design, id));
  const ids = new Set(inputs.map(({ id }) => id));
  const gone = all.page.filter(
    (thing) => ("elementId" in thing && !isThere(thing.elementId)) || ("inputId" in thing && !ids.has(thing.inputId)),
  );
  if (gone.length === 0) return [];
  return [
    said(all, `${counted(gone.length, "thing")} on the page ${gone.length === 1 ? "tells" : "tell"} of what is gone`, [
      without(all, gone),
    ]),
  ];
}

/** Pages for displays that are gone. */
function orphans({ keymap, controls }: Design): Observation[] {
  const displays = new Set(controls.flatMap(({ id, kind }) => (kind === "display" ? [id] : [])));
  return keymap.layers.flatMap((layer) => {
    const gone = Object.keys(layer.displays ?? {}).filter((id) => !displays.has(id));
    if (gone.length === 0) return [];
    const forget = (d: Design) => gone.reduce((now, id) => setPage(now, layer.id, id, null), d);
    return [
      {
        message: `${layer.name} has ${counted(gone.length, "page")} for displays that the device does not have.`,
        subjects: [],
        fixes: [{ title: "Forget it", apply: forget }],
      },
    ];
  });
}

/** Displays without a page, and those whose dots the firmware cannot write. */
function silent(design: Design): Observation[] {
  return design.controls.flatMap((control): Observation[] => {
    if (control.kind !== "display") return [];
    const hasPage = design.keymap.layers.some(({ displays = {} }) => Object.hasOwn(displays, control.id));
    const subjects = [controlSubject(control.id)];
    if (!isWrittenByRows(control))
      return [
        {
          severity: "warn",
          message: `${control.label} has ${control.widthPx} × ${control.heightPx} dots of ${counted(control.bitsPerPx, "bit")}; the firmware writes rows of eight dots of 1 bit, up to ${DISPLAYS.COLUMNS} columns.`,
          subjects,
          fixes: [
            {
              title: `Take ${USUAL.widthPx} × ${USUAL.heightPx} dots of one bit`,
              apply: (d) => changeControl(d, control.id, USUAL),
            },
          ],
        },
      ];
    const page = (d: Design) => setPage(d, d.keymap.layers[0].id, control.id, firstPage(d, control));
    return hasPage
      ? []
      : [
          {
            severity: "note",
            message: `${control.label} shows nothing on any layer.`,
            subjects,
            fixes: [{ title: "Lay out a first page", apply: page }],
          },
        ];
  });
}

/** Displays of dots that show nothing, or what they cannot show. */
export const displays: Rule = {
  id: "keymap/displays",
  stage: "keymap",
  severity: "warn",
  why: "What is cut off, covered or gone tells nobody anything, and nobody sees it before the device is built.",
  source: "five columns and a gap a sign, eight dots a row; follows from the keymap",
  check(design) {
    const pages = design.controls.flatMap((control) =>
      control.kind !== "display"
        ? []
        : design.keymap.layers.flatMap((layer): Page[] =>
            Object.hasOwn(layer.displays ?? {}, control.id)
              ? [{ control, layer, page: layer.displays![control.id] }]
              : [],
          ),
    );
    const onPages = pages.flatMap((page) => [
      ...misplaced(design, page),
      ...unfit(design, page),
      ...tooWide(page),
      ...lost(design, page),
    ]);
    return [...onPages, ...orphans(design), ...silent(design)];
  },
};
