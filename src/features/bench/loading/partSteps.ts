import { ONE_PLUG } from "@/core/targets/onePlug";
import type { LoadStep } from "./LoadSteps";

/**
 * Each part of a device of several is loaded by itself, with the steps of its controller.
 * @param how how the file of a part is told from those of the others
 */
export const partSteps = (steps: LoadStep[], how: string): LoadStep[] => [
  {
    title: "Take the parts apart",
    words: `Pull the line between them, and put the plug into the part that is loaded first. ${how} Load all parts again whenever the design has changed: parts that are loaded with different things do not understand each other, and each then speaks for itself alone.`,
  },
  ...steps,
  {
    title: "Load the other part, then join them",
    words: `The same steps again, with the plug there. Then put the line in while no plug is, and press every control once; and once more with the plug in the other part. ${ONE_PLUG}`,
  },
];
