import { assemblyOf } from "../../assembly/assembly";
import { isSocketed } from "../../document/buildSettings";
import { setModuleWay } from "../../edits/build";
import { type Fix, type Rule, controlSubject, listed } from "../finding";

export const stepsLoop: Rule = {
  id: "make/steps-loop",
  stage: "make",
  severity: "stop",
  why: "Where steps wait for each other in a circle, something has to be soldered through what covers it, or comes off only with everything else.",
  source: "geometry of what each step covers against what the others must reach",
  check(design) {
    const { loops, steps } = assemblyOf(design);
    const byId = new Map(steps.map((step) => [step.id, step]));
    return loops.map(({ reasons: circle, given }) => {
      // What is given up is told last.
      const from = circle.indexOf(given) + 1;
      const reasons = [...circle.slice(from), ...circle.slice(0, from)];
      const inIt = reasons.map(({ before }) => byId.get(before)!);
      const words = reasons.map(
        ({ before, after, words: why }) =>
          `“${byId.get(before)!.title}” before “${byId.get(after)!.title}”, which ${why}`,
      );
      const modules = design.controllers.filter(
        ({ id }) => inIt.some((step) => step.id === `module ${id}`) && !isSocketed(design, id),
      );
      return {
        message: `No order fits: ${listed(words)}.`,
        subjects: [...new Set(inIt.flatMap(({ lit }) => lit.controls))].slice(0, 40).map(controlSubject),
        fixes: modules.map(({ id }): Fix => ({
          title: `Put A${1 + design.controllers.findIndex((one) => one.id === id)} on sockets`,
          apply: (d) => setModuleWay(d, id, "socketed"),
        })),
      };
    });
  },
};
