import { type Rule } from "../finding";

/** A switch on a pin that decides something while the board starts. */
export const startUpPin: Rule = {
  id: "pins/start-up",
  stage: "pins",
  severity: "note",
  why: "A key that is held while the device is plugged in would start it another way, or not at all.",
  source: "the controller profile",
  eachController: true,
  check(design, { profile, signalNets }) {
    if (!profile) return [];
    return signalNets.flatMap((net) => {
      const name = Object.hasOwn(design.pinPlan, net.id) ? design.pinPlan[net.id].pin : null;
      const pin = profile.pins.find((one) => one.name === name && one.role === "io");
      if (!pin?.boot || !net.need?.input || net.role === "bus") return [];
      return [
        {
          message: `${net.flag} is on ${pin.name}, and a contact closed at the start decides there: ${pin.boot}.`,
          subjects: [
            { kind: "net" as const, id: net.id },
            { kind: "pin" as const, id: pin.name },
          ],
        },
      ];
    });
  },
};
