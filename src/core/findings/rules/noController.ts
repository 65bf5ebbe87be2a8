import { usablePins } from "../../catalogue/controllers/controllerProfile";
import { controllerCatalogue } from "../../catalogue/controllers";
import { chooseController } from "../../edits/pins";
import { type Rule, counted } from "../finding";

export const noController: Rule = {
  id: "pins/no-controller",
  stage: "pins",
  severity: "stop",
  why: "Nets need pins, and pins are a controller's.",
  source: "follows from the design",
  check(design, { signalNets, controller, profile }) {
    if (controller && profile) return [];
    if (controller)
      return [
        {
          message: `The controller class "${controller.profileId}" is not in the catalogue; choose one.`,
          subjects: [],
        },
      ];
    if (design.controls.length === 0) return [];
    const fitting = controllerCatalogue.find((p) => usablePins(p).length >= signalNets.length);
    const fixes = fitting
      ? [{ title: `Take the ${fitting.title}`, apply: (d: typeof design) => chooseController(d, fitting.id) }]
      : [];
    return [
      {
        message: `No controller is chosen yet; ${counted(signalNets.length, "net")} will need pins.`,
        subjects: [],
        fixes,
      },
    ];
  },
};
