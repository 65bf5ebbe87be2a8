import { good } from "../document/problem";
import type { Design } from "../document/schema";
import { type Artifact, fileStem, utf8 } from "./artifact";

/** The text of a design file. */
export const designText = (design: Design): string => `${JSON.stringify(design, null, 2)}\n`;

export const designJson: Artifact = {
  id: "design",
  title: "Design file",
  purpose: "The whole design, to keep, to send, or to open elsewhere.",
  make: async (design) =>
    good({
      fileName: `${fileStem(design)}.ovrin.json`,
      mediaType: "application/json",
      bytes: utf8(designText(design)),
    }),
};
