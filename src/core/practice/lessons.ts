import { derive } from "../derived/derive";
import { togetherInput } from "../document/keyRules";
import type { Design } from "../document/schema";
import type { HostLanguage } from "../languages/hostLanguage";
import { deedOf } from "../languages/hostLanguage";
import { typedBy } from "../bindings";
import { listed } from "../words";
import { type Known, type UnderHand, underHandOf } from "./before";

/** Some signs to learn together, and why these. */
export interface Lesson {
  id: string;
  title: string;
  why: string;
  signs: string[];
  /** Signs that may stand between them, known by then. */
  also: string[];
}

/** A key that lies less than this from where the finger expects it is found (a third of a key's width, from memory). */
export const NEAR_MM = 6.5;
const SIGNS_OF_LESSON = 6;

/** What of a sign is another than it was. */
export type Newness = "same" | "moved" | "other finger" | "held" | "new";

/** How a sign lies against what the hands know. */
export function newnessOf(now: UnderHand, before: UnderHand | undefined): Newness {
  if (!before) return "new";
  if (now.layer !== before.layer || now.held !== before.held) return "held";
  if (isThumb(now) && isThumb(before)) return "same";
  if (now.finger !== before.finger) return "other finger";
  return Math.hypot(now.acrossMm - before.acrossMm, now.downMm - before.downMm) > NEAR_MM ? "moved" : "same";
}

const isThumb = ({ finger }: UnderHand) => finger?.endsWith("thumb") === true;

const isPlain = (sign: string) => /^[\p{Ll}\p{Lo}.,;'-]$/u.test(sign);

/** Six at a time, those that are used most first, where signs are told by how often a language has them (letters of English, from memory). */
const OFTEN = "etaoinshrdlcumwfgypbvkjxqz";
const rank = (sign: string) => (OFTEN.includes(sign) ? OFTEN.indexOf(sign) : OFTEN.length + sign.charCodeAt(0) / 1e5);

function batches(id: string, title: string, why: string, signs: string[], also: string[]): Lesson[] {
  const sorted = [...signs].sort((a, b) => rank(a) - rank(b));
  const count = Math.ceil(sorted.length / SIGNS_OF_LESSON);
  return Array.from({ length: count }, (_, nth) => ({
    id: `${id} ${nth + 1}`,
    title: count === 1 ? title : `${title}, ${nth + 1} of ${count}`,
    why,
    signs: sorted.slice(nth * SIGNS_OF_LESSON, (nth + 1) * SIGNS_OF_LESSON),
    // What came in earlier lessons stands between them.
    also: [...also, ...sorted.slice(0, nth * SIGNS_OF_LESSON)],
  }));
}

/**
 * What to learn in which order: where fingers rest; keys under another finger or further away than the hands expect, the
 * ones that are used most first; what is new; what wants a held key; layers; keys pressed together; then everything.
 */
export function lessonsOf(design: Design, language: HostLanguage, known: Known): Lesson[] {
  const now = underHandOf(design, language);
  const letters = [...now].filter(([sign, { layer, held }]) => layer === 0 && held === 0 && isPlain(sign));
  const of = (...sorts: Newness[]) =>
    letters.filter(([sign, under]) => sorts.includes(newnessOf(under, known.get(sign)))).map(([sign]) => sign);
  const rests = letters.filter(([, { acrossMm, downMm, finger }]) => finger && Math.hypot(acrossMm, downMm) < 1);
  const same = of("same");
  const resting = rests.map(([sign]) => sign);
  const learnt = [...new Set([...same, ...resting])];
  const others = of("other finger").filter((sign) => !resting.includes(sign));
  const moved = of("moved").filter((sign) => !resting.includes(sign));
  const fresh = of("new", "held").filter((sign) => !resting.includes(sign));
  return [
    ...batches("rest", "Where fingers rest", "From here every other key is found.", resting, []),
    ...batches("finger", "Under another finger", "The hands send the wrong finger to these.", others, learnt),
    ...batches(
      "moved",
      "Elsewhere",
      "The same finger, but further or in another direction than it is used to.",
      moved,
      [...learnt, ...others],
    ),
    ...batches("new", "New places", "These are not where the hands know them at all.", fresh, [
      ...learnt,
      ...others,
      ...moved,
    ]),
    ...layerLessons(design, now),
    ...togetherLesson(design, language),
    {
      id: "all",
      title: "Everything",
      why:
        same.length === letters.length
          ? "All letters lie as the hands know them."
          : "All letters, weighted towards what is slow or wrong.",
      signs: letters.map(([sign]) => sign),
      also: [],
    },
  ].filter(({ signs }) => signs.length > 0);
}

/** Signs that want a held key: by layer, and on the base with Shift. */
function layerLessons(design: Design, now: Map<string, UnderHand>): Lesson[] {
  const letters = [...now].flatMap(([sign, { layer, held }]) =>
    layer === 0 && held === 0 && isPlain(sign) ? [sign] : [],
  );
  return design.keymap.layers.flatMap(({ id, name }, nth) => {
    const signs = [...now].flatMap(([sign, { layer, held }]) =>
      layer === nth && held > 0 && sign.trim() !== "" ? [sign] : [],
    );
    const title = nth === 0 ? "With a held key" : `On ${name}`;
    const why = nth === 0 ? "Capitals and what stands above the digits." : "Hold the key of the layer, then press.";
    return batches(`layer ${id}`, title, why, signs, letters.slice(0, 8));
  });
}

function togetherLesson(design: Design, language: HostLanguage): Lesson[] {
  const [base] = design.keymap.layers;
  const labels = new Map(derive(design).inputs.map(({ id, label }) => [id, label]));
  const made = (design.keymap.together ?? []).flatMap(({ id, parts }) => {
    const binding = base.bindings[togetherInput(id)];
    const typed = binding && typedBy(binding);
    const sign = typed && deedOf(language, typed.usage, typed.modifiers);
    return sign ? [{ sign, words: listed(parts.map((part) => labels.get(part) ?? part)) }] : [];
  });
  if (made.length === 0) return [];
  const why = made.map(({ sign, words }) => `${words} type ${sign}`).join("; ");
  return [
    { id: "together", title: "Keys pressed together", why: `${why}.`, signs: made.map(({ sign }) => sign), also: [] },
  ];
}
