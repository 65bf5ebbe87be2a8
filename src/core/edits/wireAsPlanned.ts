import { brokenLimits } from "../power/limits";
import { dimmedTo, highestBrightness } from "../power/remedies";
import type { SegmentChain } from "../circuits/segmentChain";
import { switchStrategyNamed } from "../brief/strategies";
import { LIGHT_DATA_V, type LightChain } from "../circuits/lightChain";
import type { PlacedElement } from "../circuits/net";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { ChosenPlan } from "../document/wish";
import { stiffPlates } from "../making/stiffPlates";
import { checkMatrix } from "../matrix/matrixElectrics";
import { matrixParts, planPartInOrder, usualMatrixWish } from "../matrix/planMatrix";
import { chooseController } from "./pins";
import { setTiming } from "./timing";
import { OWN_CIRCUITS, changeCircuit, orderMembers, adoptMatrixCells, unwire, wireAs, wireDirect } from "./wiring";
import { setDiodes } from "./matrixDiodes";

/** Takes a plan of the brief: its controller class, and the wiring of what is already placed. */
export function adoptPlan(design: Design, chosen: ChosenPlan): Design {
  const withPlan = { ...design, brief: { ...design.brief, chosen } };
  return stiffPlates(wireAsPlanned(chooseController(withPlan, chosen.profileId)));
}

const idsOf = (design: Design, test: (element: PlacedElement) => boolean) =>
  [...derive(design).elements.values()].filter(test).map(({ id }) => id);

function wireSwitches(design: Design, { switchStrategy, turnStrategy }: ChosenPlan): Design {
  const kind = switchStrategyNamed(switchStrategy)?.circuit;
  if (!kind) return design;
  const both = turnStrategy === "with-switches";
  const ids = idsOf(design, (element) => element.kind === "switch" || (both && element.kind === "quadrature"));
  if (kind !== "matrix") return wireAs(design, kind, ids);
  const shape = switchStrategy === "matrix-given" ? design.brief.matrixShape : null;
  const wish = {
    ...usualMatrixWish,
    lines: "fewest-pins" as const,
    rows: shape?.rows ?? null,
    columns: shape?.columns ?? null,
  };
  const loose = unwire(design, ids);
  const wired = adoptMatrixCells(
    loose,
    matrixParts(loose, wish).flatMap((part) => planPartInOrder(part) ?? []),
  );
  // The plan was reckoned with diodes or without, by the wish.
  return setDiodes(wired, design.brief.wish.chords ? "column-to-row" : "none");
}

/** The plan counts a shifter where the logic gives less than the lights' data wants. */
const withShifters = (design: Design): Design =>
  (derive(design).profile?.logicV ?? LIGHT_DATA_V) >= LIGHT_DATA_V
    ? design
    : design.circuits.reduce(
        (d, circuit) =>
          circuit.kind === "light-chain" || circuit.kind === "segment-chain"
            ? changeCircuit<LightChain | SegmentChain>(d, circuit.id, { shifted: true })
            : d,
        design,
      );

/** Wires everything the way the chosen plan says. */
export function wireAsPlanned(design: Design): Design {
  const { chosen } = design.brief;
  if (design.controls.length === 0 || !chosen || !switchStrategyNamed(chosen.switchStrategy)) return design;
  const of = (kind: PlacedElement["kind"]) => (d: Design) => idsOf(d, (element) => element.kind === kind);
  const switched = wireSwitches(design, chosen);
  const lit = wireAs(switched, chosen.lampStrategy === "direct" ? "direct" : "output-registers", of("lamp")(switched));
  const voltages = wireAs(lit, chosen.voltageStrategy === "direct" ? "direct" : "multiplexer", of("analog")(lit));
  const devices = OWN_CIRCUITS.reduce(
    (d, kind) =>
      wireAs(
        d,
        kind,
        idsOf(d, () => true),
      ),
    voltages,
  );
  const shifted = withShifters(devices);
  const { circuitsOf } = derive(shifted);
  const wired = wireDirect(
    shifted,
    idsOf(shifted, ({ id }) => !circuitsOf.has(id)),
  );
  return dimEnough(patientEnough(wired.circuits.reduce((d, { id }) => orderMembers(d, id), wired)));
}

/** Lights that the source could not feed at full white are held to the highest brightness that it can. */
function dimEnough(design: Design): Design {
  if (brokenLimits(design).length === 0 || !design.circuits.some(({ kind }) => kind === "light-chain")) return design;
  const percent = highestBrightness(design);
  return percent === null ? design : { ...design, circuits: dimmedTo(design.circuits, percent) };
}

/** Lines that take longer to settle than the firmware waits are waited for. */
function patientEnough(design: Design): Design {
  const needed = design.circuits.flatMap((circuit) =>
    circuit.kind === "matrix" ? [Math.ceil(checkMatrix(design, circuit)?.settleUs ?? 0)] : [],
  );
  const settleUs = Math.min(250, Math.max(design.timing.settleUs, ...needed));
  return settleUs === design.timing.settleUs ? design : setTiming(design, { settleUs });
}
