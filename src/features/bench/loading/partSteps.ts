import type { LoadStep } from "./LoadSteps";

/** Each part of a device of several is loaded by itself, with the steps of its controller. */
export const partSteps = (steps: LoadStep[]): LoadStep[] => [
  {
    title: "Take the parts apart",
    words:
      "Pull the line between them, and choose on the right which part has the plug now. Load all parts again whenever the design has changed: parts that are loaded with different things do not understand each other, and each then speaks for itself alone.",
  },
  ...steps,
  {
    title: "Load the other part, then join them",
    words:
      "Choose it on the right and go through the same steps. Then put the line in with the plug out, and press every control once; and once more with the plug in the other part.",
  },
];
