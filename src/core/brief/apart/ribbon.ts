import { derive } from "../../derived/derive";
import { asOneController } from "../../derived/halves";
import { conductorsAcross } from "../../wires/across";
import { type ApartSetting, type ApartWay, wayOf } from "./way";

/** As it is wired now: every net of the far part is a conductor. */
export function ribbon(setting: ApartSetting): ApartWay[] {
  const { design, near, far } = setting;
  const whole = asOneController(design);
  const conductors = conductorsAcross(whole, near.id, far.id);
  return [
    wayOf(setting, {
      id: "ribbon",
      title: "One controller, a conductor for each net",
      conductors,
      nearPins: derive(whole).signalNets.filter(({ need }) => need !== null).length,
      parts: {},
      controller: null,
      profileId: null,
      money: 0,
      laterMs: { least: 0, most: 0 },
      breaks: [
        "a broken conductor takes a whole row or column with it",
        "long unshielded lines pick up what runs beside them",
      ],
      lacks: conductors.length === 0 ? "nothing of it is wired to the other part yet" : null,
    }),
  ];
}
