import { usablePins } from "../../catalogue/controllers/controllerProfile";
import { remedies } from "../../edits/remedies";
import { type Rule, counted } from "../finding";

export const tooFewPins: Rule = {
  id: "pins/too-few",
  stage: "pins",
  severity: "stop",
  why: "Every net needs a pin of its own; found out after ordering, this means a new board.",
  source: "counts of nets and of usable pins",
  eachController: true,
  check(design, { profile, signalNets }) {
    if (!profile) return [];
    const usable = usablePins(profile).length;
    const short = signalNets.length - usable;
    if (short <= 0) return [];
    return [
      {
        message: `${counted(short, "pin")} too few: ${signalNets.length} nets need pins, the ${profile.title} has ${usable}.`,
        subjects: [],
        fixes: remedies(design),
      },
    ];
  },
};
