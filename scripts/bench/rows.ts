import { bringUpRows } from "./bringUp";
import { browserRows } from "./browser";
import { chipRows } from "./chip";
import { circuitRows } from "./circuits";
import { editRows } from "./edit";
import { firmwareRows } from "./firmware";
import type { Row } from "./row";
import { imageRow, plateRow } from "./making";
import { planningRows } from "./planning";
import { simulationRow, wasmRow } from "./simulation";

/** A ratio of 1 meets the limit exactly; more is better by so much. */
function print({ what, measured, limit, ratio }: Row) {
  console.log(
    `${what.padEnd(52)} ${measured.padStart(22)}   limit ${limit.padEnd(18)} ${ratio.toFixed(2).padStart(7)} × as good`,
  );
}

for (const row of [
  ...(await planningRows()),
  simulationRow(),
  wasmRow(),
  ...firmwareRows(),
  ...editRows(),
  ...circuitRows(),
  ...bringUpRows(),
  await plateRow(),
  await imageRow(),
  ...chipRows(),
  ...(await browserRows()),
])
  print(row);
