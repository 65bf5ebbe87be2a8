import { axisUsePhrase } from "../axisUses";
import { derive } from "../derived/derive";
import type { Design, Layer } from "../document/schema";
import type { KeymapDifference } from "./compareKeymaps";
import { pageWords } from "./pageWords";
import { segmentPhrase } from "./segmentWords";

/** What is said of parts that are no inputs: what axes do, and what displays show. */
interface Saying {
  /** In words, by the id of an element or a control. */
  of(design: Design, layer: Layer): Record<string, { words: string; whole: string }>;
  label(design: Design, id: string): string | undefined;
}

const said = <T>(all: Record<string, T> | undefined, words: (one: T) => string) =>
  Object.fromEntries(
    Object.entries(all ?? {}).map(([id, one]) => [id, { words: words(one), whole: JSON.stringify(one) }]),
  );

const controlLabel = (design: Design, id: string) => derive(design).controls.get(id)?.label;

const sayings: Saying[] = [
  {
    of: (_, { axes }) => said(axes, axisUsePhrase),
    label: (design, id) => derive(design).elements.get(id)?.label,
  },
  { of: (design, { segments }) => said(segments, (show) => segmentPhrase(design, show)), label: controlLabel },
  { of: (design, { displays }) => said(displays, (page) => `shows ${pageWords(design, page)}`), label: controlLabel },
];

/** The same words for what is not the same are marked. */
const worded = (here: string, there: string) =>
  here === there ? { here, there: `${there}, set otherwise` } : { here, there };

const BENEATH = "as beneath";

/** What axes do and displays show on two layers of the same name, where it is another thing; parts are met by their ids. */
export function compareShown(
  design: Design,
  layer: Layer,
  other: Design,
  there: Layer | undefined,
): KeymapDifference[] {
  return sayings.flatMap((saying) => {
    const here = saying.of(design, layer);
    const theirs: typeof here = there ? saying.of(other, there) : {};
    const ids = [...new Set([...Object.keys(here), ...Object.keys(theirs)])];
    return ids.flatMap((id): KeymapDifference[] => {
      const own = Object.hasOwn(here, id) ? here[id] : null;
      const their = Object.hasOwn(theirs, id) ? theirs[id] : null;
      if (own?.whole === their?.whole) return [];
      const label = saying.label(design, id) ?? saying.label(other, id) ?? "something that is gone";
      return [{ inputId: null, label, layer: layer.name, ...worded(own?.words ?? BENEATH, their?.words ?? BENEATH) }];
    });
  });
}
