import type { Control } from "@/core/catalogue/kinds";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import { onControl } from "@/core/catalogue/kinds/endAt";
import type { Point } from "@/core/geometry/point";
import { moveWiper, pressElement, useSession } from "@/store/session";
import { CLICK_MM, type Grip } from "./grip";

/** So far a stick is pulled to its end, and a slide's whole way is. */
const REACH_MM = 9;
const SLIDE_MM = 30;

/** A stick follows the pointer and springs back; a click on it is a push of its handle. */
export function moveStick(control: Control, wipers: Element[], push: Element | undefined, from: Point): Grip {
  const start = onControl(control, from);
  let hasMoved = false;
  const wiper = (end: string) => wipers.find((one) => one.end === end);
  const put = (end: string, place: number) => {
    const found = wiper(end);
    if (found) moveWiper(found.id, place);
  };
  return {
    follow({ at }) {
      const here = onControl(control, at);
      const [right, down] = [here.xMm - start.xMm, here.yMm - start.yMm];
      hasMoved ||= Math.hypot(right, down) > CLICK_MM;
      if (!hasMoved) return;
      put("x", right / REACH_MM);
      put("y", down / REACH_MM);
    },
    end() {
      if (hasMoved) {
        put("x", 0);
        put("y", 0);
      } else if (push) {
        pressElement(push.id, true);
        pressElement(push.id, false);
      }
    },
  };
}

/** A pot stays where it was put: it is turned round its middle, or slid. */
export function movePot(control: Control, wiper: Element, from: Point): Grip {
  const placeNow = () => useSession.getState().places[wiper.id] ?? 0;
  const isSlide = control.kind === "pot" && control.motion === "slide";
  const travelDeg = control.kind === "pot" && !isSlide ? control.travel : 270;
  const angleOf = (at: Point) => {
    const here = onControl(control, at);
    return (Math.atan2(here.yMm, here.xMm) * 180) / Math.PI;
  };
  let place = placeNow();
  let before = isSlide ? onControl(control, from).yMm : angleOf(from);
  return {
    follow({ at }) {
      const now = isSlide ? onControl(control, at).yMm : angleOf(at);
      let by = now - before;
      if (!isSlide && by > 180) by -= 360;
      if (!isSlide && by < -180) by += 360;
      before = now;
      place = Math.max(0, Math.min(1, place + (isSlide ? -by / SLIDE_MM : by / travelDeg)));
      moveWiper(wiper.id, place);
    },
    end: () => {},
  };
}
