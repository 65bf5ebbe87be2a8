import { comparisonOf } from "@/core/compare/comparison";
import { bad, good } from "@/core/document/problem";
import { readDesign } from "@/core/document/readDesign";
import { jsonReply, withDesign } from "./reply";
import type { Task } from "./tasks";

/** Two designs, the older one in `design` and the newer one in `other`: what is different, as people mean it. */
export const compareTask: Task = (body) =>
  withDesign(body, (design, rest) => {
    if (!("other" in rest)) return bad({ path: "other", message: "Give the design to compare with." });
    const other = readDesign(rest.other);
    if (!other.ok)
      return bad(...other.problems.map(({ path, message }) => ({ path: path ? `other.${path}` : "other", message })));
    return good(jsonReply(comparisonOf(design, other.value)));
  });
