"use client";

import { Box } from "@chakra-ui/react";
import { type Circuit, circuitKindOf, circuitKinds } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import { wireAsBriefSays } from "./wireAsBriefSays";
import { shareOutDirect, unwire, wireInto, wireNew } from "@/core/edits/wiring";
import type { MatrixShape } from "@/core/matrix/planReadingOrder";
import type { Design } from "@/core/document/schema";
import { factsOf } from "@/core/findings/facts";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { takeCircuit, useWiringView } from "@/store/wiringView";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { CellSection } from "./CellSection";
import { CircuitSection } from "./CircuitSection";
import { PairSection } from "./PairSection";

/** The planning of rows and columns comes with its first use. */
async function shareOut(shape: MatrixShape): Promise<void> {
  const { shareOutMatrix } = await import("@/core/edits/shareOutMatrix");
  edit("share out rows and columns", (design) => shareOutMatrix(design, shape));
}

/** All circuits, what is selected, and the settings of the circuit in hand. */
export function CircuitsTab() {
  const design = useDesign();
  const circuitId = useWiringView((state) => state.circuitId);
  const open = design.circuits.find(({ id }) => id === circuitId);
  const { chosen } = design.brief;
  return (
    <>
      <Section title="Share out">
        <Row>
          <StepButton onClick={() => void shareOut("as-laid-out")}>Follow the rows as they lie</StepButton>
          <PlainButton onClick={() => void shareOut("fewest-pins")}>Fewest pins</PlainButton>
          <PlainButton onClick={() => edit("wire everything direct", shareOutDirect)}>Everything direct</PlainButton>
          {chosen && <PlainButton onClick={() => void wireAsBriefSays(chosen.strategy)}>As the brief says</PlainButton>}
        </Row>
      </Section>
      <SelectedWiring design={design} />
      {design.circuits.length > 0 && <CircuitList design={design} openId={open?.id ?? null} />}
      {open && <CircuitSection key={open.id} circuit={open} />}
      <Totals design={design} />
    </>
  );
}

function CircuitList({ design, openId }: { design: Design; openId: string | null }) {
  const { plans } = derive(design);
  return (
    <Section title="Circuits">
      <Box as="ul" listStyleType="none">
        {design.circuits.map((circuit, nth) => (
          <li key={circuit.id}>
            <button
              className="line-button"
              aria-pressed={circuit.id === openId}
              onClick={() => takeCircuit(circuit.id === openId ? null : circuit.id)}
              style={{
                width: "100%",
                textAlign: "left",
                padding: "5px 6px",
                borderLeft: `3px solid ${circuit.id === openId ? "var(--saffron)" : "var(--edge)"}`,
              }}
            >
              <Box as="span" fontWeight="600">
                {circuit.name}
              </Box>
              <Box as="span" display="block" fontSize="13px" color="var(--faint)">
                {counted(circuitKindOf(circuit).members(circuit).length, "part end")}
                {plans[nth].chips.length > 0 ? `, ${counted(plans[nth].chips.length, "added part")}` : ""},{" "}
                {counted(plans[nth].nets.filter(({ need }) => need !== null).length, "pin")}
              </Box>
            </button>
          </li>
        ))}
      </Box>
    </Section>
  );
}

function Totals({ design }: { design: Design }) {
  const { rows, columns, diodes, resistors, pinsNeeded } = factsOf(design);
  const { chips, plans } = derive(design);
  const { settleUs } = design.timing;
  const readUs = plans.reduce((sum, { reading }) => sum + reading.settles * settleUs + reading.fixedUs, 0);
  return (
    <Section title="What it takes">
      <Values
        rows={[
          ["Rows × columns", `${rows} × ${columns}`],
          ["Diodes (1N4148)", diodes],
          ["Resistors", resistors],
          ["Added parts", chips.length],
          ["One whole reading", `${readUs.toFixed(0)} µs`],
          ["Pins needed", pinsNeeded],
        ]}
      />
    </Section>
  );
}

const circuitNamed = (design: Design, id: string) => design.circuits.find((circuit) => circuit.id === id)!;

/** Circuits that can hold all of what is selected, then kinds that a new one could be of. */
function choicesFor(design: Design, ids: string[]) {
  const { elements } = derive(design);
  const takesAll = (kind: (typeof circuitKinds)[number]) => ids.every((id) => kind.takes(elements.get(id)!));
  const there = design.circuits
    .filter((circuit) => takesAll(circuitKindOf(circuit)))
    .map(({ id, name }) => ({ value: id, label: name }));
  const fresh = circuitKinds.filter(takesAll).map((kind) => ({
    value: `new ${kind.kind}`,
    label: there.length > 0 ? `new: ${kind.title}` : kind.title,
  }));
  return [...there, ...fresh, { value: "none", label: "not wired" }];
}

function SelectedWiring({ design }: { design: Design }) {
  const selection = useHand((state) => state.selection);
  const { elements, circuitsOf } = derive(design);
  const chosen = [...elements.values()].filter((element) => selection.includes(element.controlId));
  if (chosen.length === 0)
    return (
      <Section title="Selected">
        <div>
          Select parts on the mat or in the table to put them into a circuit. With switches of a matrix selected, a
          click on a flag such as R2 or C3 moves them there.
        </div>
      </Section>
    );
  const ids = chosen.map(({ id }) => id);
  const homes = new Set(ids.map((id) => circuitsOf.get(id)?.[0] ?? "none"));
  const current = homes.size === 1 ? [...homes][0] : "mixed";
  const wire = (to: string) => {
    if (to === "none") edit("take off the circuit", (d) => unwire(d, ids));
    else if (to.startsWith("new ")) edit("new circuit", (d) => wireNew(d, to.slice(4) as Circuit["kind"], ids));
    else edit(`put into ${circuitNamed(design, to).name}`, (d) => wireInto(d, to, ids));
  };
  return (
    <Section title={chosen.length === 1 ? chosen[0].label : `${chosen.length} part ends selected`}>
      <ChoiceField
        label="Circuit"
        value={current}
        choices={[
          ...(current === "mixed" ? [{ value: "mixed", label: "different ones" }] : []),
          ...choicesFor(design, ids),
        ]}
        onCommit={wire}
      />
      <CellSection design={design} ids={ids} />
      <PairSection design={design} ids={ids} />
    </Section>
  );
}
