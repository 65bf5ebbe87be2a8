import { sourceLabel } from "../derived/valueSources";
import { toldNumber } from "../document/lampRule";
import type { SegmentShow } from "../document/segmentShows";
import type { Design } from "../document/schema";
import { noPanel } from "../hid/panelSettings";

/** The name of a knob, an axis, or a value that the computer tells. */
export const valueLabel = (design: Design, elementId: string): string => {
  const told = toldNumber(elementId);
  const name = told >= 0 ? (design.reportSet.panel ?? noPanel).values[told] : undefined;
  return name ?? sourceLabel(design, elementId) ?? "something that is gone";
};

/** "shows the value of Warmth, 12.0 to 36.0" */
export function segmentPhrase(design: Design, show: SegmentShow): string {
  if (show.shows === "dark") return "shows nothing";
  if (show.shows === "text") return `shows “${show.text}”`;
  const number = (value: number) => (value / 10 ** show.point).toFixed(show.point);
  return `shows the value of ${valueLabel(design, show.elementId)}, ${number(show.low)} to ${number(show.high)}`;
}
