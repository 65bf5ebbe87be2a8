import { halfName } from "../derived/halfName";
import type { Problem } from "../document/problem";
import type { Design } from "../document/schema";

/** Parts that no line joins to another: what is loaded into them would speak on serial pins that are given to something else, or to nothing. */
export function partsWithoutLine(design: Design): Problem[] {
  const linked = new Set((design.partLinks ?? []).flatMap(({ nearId, farId }) => [nearId, farId]));
  return design.controllers.slice(1).flatMap(({ id, ownPlug }) => {
    if (ownPlug)
      return [
        {
          path: "controllers",
          message: `has ${halfName(design, id)} with a plug of its own beside parts that are joined`,
        },
      ];
    if (linked.has(id)) return [];
    return [{ path: "partLinks", message: `has no line to ${halfName(design, id)}; join it by a line in Wiring` }];
  });
}
