import type { Segments } from "../../catalogue/kinds/segments";
import type { SegmentShow } from "../../document/segmentShows";
import { hasValue, valueSources } from "../../derived/valueSources";
import { toldNumber } from "../../document/lampRule";
import type { Design, Layer } from "../../document/schema";
import { setSegmentShow } from "../../edits/segments";
import { topOf } from "../../firmware/shownStates";
import { goneToldValue } from "../../keymap/toldWords";
import { digitsOfNumber, digitsOfText, unshownSigns } from "../../keymap/segmentSigns";
import { type Observation, type Rule, controlSubject, counted, listed } from "../finding";

const numberText = (number: number, point: number) => (number / 10 ** point).toFixed(point);

/** Texts and numbers that the digits cannot show. */
function unfit(control: Segments, show: SegmentShow, { name, id }: Layer): Observation[] {
  const dark = {
    title: "Let it show nothing",
    apply: (d: Design) => setSegmentShow(d, id, control.id, { shows: "dark" }),
  };
  const told = (message: string): Observation[] => [
    { severity: "warn", message, subjects: [controlSubject(control.id)], fixes: [dark] },
  ];
  if (show.shows === "text") {
    const unshown = unshownSigns(show.text);
    if (unshown.length > 0)
      return told(`Seven segments cannot show ${listed(unshown)} of “${show.text}” on ${control.label} (${name}).`);
    const taken = digitsOfText(show.text);
    return taken > control.digits
      ? told(`“${show.text}” takes ${taken} digits; ${control.label} has ${control.digits} (${name}).`)
      : [];
  }
  if (show.shows !== "value") return [];
  const wide = [show.low, show.high].filter((number) => digitsOfNumber(number, show.point) > control.digits);
  return wide.length > 0
    ? told(
        `${control.label} has ${control.digits} digits; ${listed(wide.map((number) => numberText(number, show.point)))} takes more and is shown as minus signs (${name}).`,
      )
    : [];
}

/** What displays show of knobs and values that are gone, and on displays that are gone. */
function lost(design: Design, isThere: (elementId: string) => boolean, labels: Map<string, string>): Observation[] {
  return design.keymap.layers.flatMap((layer) => {
    const all = Object.entries(layer.segments ?? {});
    const isGone = ([id, show]: [string, SegmentShow]) =>
      !labels.has(id) || (show.shows === "value" && !isThere(show.elementId));
    const gone = all.filter(isGone);
    if (gone.length === 0) return [];
    const forget = (d: Design) => gone.reduce((now, [id]) => setSegmentShow(now, layer.id, id, null), d);
    const names = gone.flatMap(([id]) => labels.get(id) ?? []);
    const message =
      names.length === gone.length
        ? `${listed(names)} would show ${names.length === 1 ? "a value" : "values"} that ${names.length === 1 ? "is" : "are"} gone on ${layer.name}.`
        : `${layer.name} says what ${counted(gone.length, "segment display")} shows that the device does not have.`;
    return [
      {
        severity: "warn" as const,
        message,
        subjects: gone.flatMap(([id]) => (labels.has(id) ? [controlSubject(id)] : [])),
        fixes: [{ title: "Forget it", apply: forget }],
      },
    ];
  });
}

/** The first knob or axis that has a value, on the base, as it is. */
function firstValue(design: Design, idle: Segments[]): Observation["fixes"] {
  const [value] = valueSources(design);
  if (!value) return [];
  const [base] = design.keymap.layers;
  const show = { shows: "value", elementId: value.id, low: 0, high: topOf(design, value.id), point: 0 } as const;
  const apply = (d: Design) => idle.reduce((now, { id }) => setSegmentShow(now, base.id, id, show), d);
  return [{ title: `Let ${idle.length === 1 ? "it" : "them"} show the value of ${value.label}`, apply }];
}

/** Segment displays that show nothing, or what they cannot show. */
export const segments: Rule = {
  id: "keymap/segments",
  stage: "keymap",
  severity: "note",
  why: "A display that shows nothing, or minus signs, tells nobody anything.",
  source: "seven segments a digit; follows from the keymap",
  check(design) {
    const displays = design.controls.filter((control): control is Segments => control.kind === "segments");
    const labels = new Map(displays.map(({ id, label }) => [id, label]));
    const isThere = (id: string) => (toldNumber(id) >= 0 ? goneToldValue(design, id) === null : hasValue(design, id));
    const shows = displays.flatMap((control) =>
      design.keymap.layers.flatMap((layer) =>
        Object.hasOwn(layer.segments ?? {}, control.id) ? unfit(control, layer.segments![control.id], layer) : [],
      ),
    );
    const idle = displays.filter(({ id }) =>
      design.keymap.layers.every(({ segments: all = {} }) => !Object.hasOwn(all, id)),
    );
    const silent: Observation[] =
      idle.length === 0
        ? []
        : [
            {
              message: `${listed(idle.map(({ label }) => label))} ${idle.length === 1 ? "shows" : "show"} nothing on any layer.`,
              subjects: idle.map(({ id }) => controlSubject(id)),
              fixes: firstValue(design, idle),
            },
          ];
    return [...shows, ...lost(design, isThere, labels), ...silent];
  },
};
