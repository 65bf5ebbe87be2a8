import type { Control } from "@/core/catalogue/kinds";
import { encoderView } from "./encoderView";
import { keyView } from "./keyView";
import type { KindView } from "./kindView";
import { lampView } from "./lampView";
import {
  buzzerView,
  concentricView,
  displayView,
  fiveWayView,
  fixingView,
  ladderPadView,
  lightView,
  motorView,
  potView,
  musicSocketView,
  padPortView,
  radioView,
  segmentsView,
  stickView,
  toggleView,
} from "./plainViews";

/** How each kind looks, one line each. */
const views = {
  key: keyView,
  toggle: toggleView,
  encoder: encoderView,
  concentric: concentricView,
  stick: stickView,
  pot: potView,
  "five-way": fiveWayView,
  "ladder-pad": ladderPadView,
  lamp: lampView,
  light: lightView,
  segments: segmentsView,
  display: displayView,
  radio: radioView,
  "pad-port": padPortView,
  "music-socket": musicSocketView,
  buzzer: buzzerView,
  motor: motorView,
  fixing: fixingView,
} satisfies Record<Control["kind"], unknown>;

/** Any kind's view, seen as one that takes any control; it is looked up by the control itself. */
export const viewOf = (kind: Control["kind"]): KindView<Control> => views[kind] as unknown as KindView<Control>;
