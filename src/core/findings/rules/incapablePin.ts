import { lacks } from "../../pins/capability";
import { type Observation, type Rule, netSubject } from "../finding";
import { placed, free } from "./placedNets";

export const incapablePin: Rule = {
  id: "pins/incapable",
  stage: "pins",
  severity: "stop",
  why: "The pin cannot do what the net asks of it.",
  source: "the controller profile",
  eachController: true,
  check(design, derived) {
    return placed(design, derived).flatMap(({ net, name, pin }): Observation[] => {
      const lack = pin ? lacks(pin, net.need!) : "is not a pin of this controller";
      if (!lack) return [];
      const subjects = [netSubject(net.id), { kind: "pin" as const, id: name }];
      return [{ message: `${net.flag} is on ${name}, which ${lack}.`, subjects, fixes: [free(net)] }];
    });
  },
};
