import { type AxisSettings, type TrackUse, trackUseOf } from "../../document/axes";
import { setAxis } from "../../edits/axes";
import { axisOfSensor } from "../../firmware/axes";
import { wipersRead } from "../../firmware/scanTable";
import { type Rule, controlSubject } from "../finding";

const percent = (value: number) => `${Math.round(value * 10) / 10} %`;

/** How far an axis comes on each side of where it rests, of 1. */
function reached(axis: AxisSettings, track: TrackUse): { low: number; high: number } {
  if (axis.sides === "both")
    return {
      low: (axis.centre - track.lowest) / (axis.centre - axis.lowest),
      high: (track.highest - axis.centre) / (axis.highest - axis.centre),
    };
  const span = axis.highest - axis.lowest;
  return { low: (axis.highest - track.lowest) / span, high: (track.highest - axis.lowest) / span };
}

/** Axes whose ends lie beyond what their part can come to. */
export const axisEnds: Rule = {
  id: "keymap/axis-ends",
  stage: "keymap",
  severity: "warn",
  why: "What lies beyond the track is never read: the axis stops short of its end, and so does what it moves.",
  source: "the part's own way (its kind), and the ends that were measured",
  check(design, { elements, controls }) {
    return wipersRead(design).flatMap((id) => {
      const { controlId, end, label } = elements.get(id)!;
      const track = trackUseOf(controls.get(controlId)!, end);
      if (!track) return [];
      const axis = axisOfSensor(design, id);
      const { low, high } = reached(axis, track);
      if (low >= 1 && high >= 1) return [];
      const short = [
        ...(low < 1 ? [`${percent(100 * Math.max(0, low))} of the way to its low end`] : []),
        ...(high < 1 ? [`${percent(100 * Math.max(0, high))} of the way to its high end`] : []),
      ];
      const fitted: AxisSettings = {
        ...axis,
        lowest: Math.max(axis.lowest, Math.ceil(track.lowest * 10) / 10),
        highest: Math.min(axis.highest, Math.floor(track.highest * 10) / 10),
      };
      return [
        {
          message: `${label} is told to go from ${percent(axis.lowest)} to ${percent(axis.highest)} of its track, which goes from ${percent(track.lowest)} to ${percent(track.highest)}: it comes ${short.join(" and ")}.`,
          subjects: [controlSubject(controlId)],
          fixes: [{ title: "Take the ends of its track", apply: (d) => setAxis(d, id, fitted) }],
        },
      ];
    });
  },
};
