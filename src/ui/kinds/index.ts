import type { Control } from "@/core/catalogue/kinds";
import { encoderView } from "./encoderView";
import { keyView } from "./keyView";
import type { KindView } from "./kindView";
import { lampView } from "./lampView";

/** How each kind looks, one line each. */
const views: { [K in Control["kind"]]: KindView<Extract<Control, { kind: K }>> } = {
  key: keyView,
  encoder: encoderView,
  lamp: lampView,
};

/** Any kind's view, seen as one that takes any control; it is looked up by the control itself. */
export const viewOf = (kind: Control["kind"]): KindView<Control> => views[kind] as unknown as KindView<Control>;
