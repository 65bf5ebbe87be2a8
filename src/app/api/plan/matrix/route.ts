import { z } from "@/core/schema";
import { shareOutMatrix } from "@/core/design/edits/wiring";
import { good } from "@/core/design/problem";
import { factsOf } from "@/core/findings/check";
import { readOptions } from "../../options";
import { withDesign } from "../../request";

const optionsSchema = z.strictObject({ shape: z._default(z.enum(["as-laid-out", "fewest-pins"]), "fewest-pins") });

export const POST = (request: Request) =>
  withDesign(request, async (design, rest) => {
    const options = readOptions(optionsSchema, rest.options ?? {}, "options");
    if (!options.ok) return options;
    const planned = shareOutMatrix(design, options.value.shape);
    const matrix = planned.circuits.find((circuit) => circuit.kind === "matrix");
    const { rows, columns, pinsNeeded } = factsOf(planned);
    return good(
      Response.json({
        cells: matrix?.kind === "matrix" ? matrix.cells : {},
        rows,
        columns,
        pinsNeeded,
        design: planned,
      }),
    );
  });
