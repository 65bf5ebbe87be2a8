import { type Rule, netSubject } from "../finding";
import { placed, free } from "./placedNets";

export const reservedPin: Rule = {
  id: "pins/reserved",
  stage: "pins",
  severity: "stop",
  why: "What the board itself does on that pin and the net would disturb each other.",
  source: "the controller profile",
  eachController: true,
  check(design, derived) {
    return placed(design, derived).flatMap(({ net, name, pin }) =>
      pin?.reserved
        ? [
            {
              message: `${net.flag} is on ${name}, but the board needs that pin itself: ${pin.reserved}.`,
              subjects: [netSubject(net.id), { kind: "pin" as const, id: name }],
              fixes: [free(net)],
            },
          ]
        : [],
    );
  },
};
