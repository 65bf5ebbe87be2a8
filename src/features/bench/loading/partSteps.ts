import { ONE_PLUG } from "@/core/targets/onePlug";
import { isOnBus, isSeveralDevices } from "@/core/document/partLinks";
import type { Design } from "@/core/document/schema";
import type { LoadStep } from "./LoadSteps";

const AGAIN =
  "Load all parts again whenever the design has changed: parts that are loaded with different things do not understand each other, and each then speaks for itself alone.";

/** How parts are told from each other, and how they are joined, on a serial line or as modules on a bus. */
const joining = (design: Design) =>
  isSeveralDevices(design)
    ? {
        apart: "Each part is a device by itself, with a plug of its own. Plug in the one that is loaded first.",
        last: "Load the other part",
        words: "The same steps again, with its own plug. Then plug in both, and press every control once.",
      }
    : isOnBus(design)
      ? {
          apart: "Take the modules off the base, and put the plug into the part that is loaded first.",
          last: "Load each module, then put them on",
          words: `The same steps again for each, with the plug in its own socket, which is there for loading only. Then put them on the base while no plug is in, plug in the base, and press every control once. ${ONE_PLUG}`,
        }
      : {
          apart: "Pull the line between them, and put the plug into the part that is loaded first.",
          last: "Load the other part, then join them",
          words: `The same steps again, with the plug there. Then put the line in while no plug is, and press every control once; and once more with the plug in the other part. ${ONE_PLUG}`,
        };

/**
 * Each part of a device of several is loaded by itself, with the steps of its controller.
 * @param how how the file of a part is told from those of the others
 */
export function partSteps(design: Design, steps: LoadStep[], how: string): LoadStep[] {
  const { apart, last, words } = joining(design);
  const again = isSeveralDevices(design) ? "" : ` ${AGAIN}`;
  return [{ title: "Take the parts apart", words: `${apart} ${how}${again}` }, ...steps, { title: last, words }];
}
