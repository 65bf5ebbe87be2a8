"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import { circuitKindOf } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import { halfName } from "@/core/derived/halfName";
import type { MatrixShape } from "@/core/matrix/planReadingOrder";
import type { Design } from "@/core/document/schema";
import { factsOf } from "@/core/findings/facts";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { pickCircuit, useWiringView } from "@/store/wiringView";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { wireAsBriefSays } from "@/ui/pieces/wireAsBriefSays";
import { Row, Section, Values } from "@/ui/pieces/sheets";

/** What belongs to a circuit or a switch in hand comes when one is taken. */
const CircuitSection = later(() => import("./CircuitSection").then((m) => m.CircuitSection));
const SelectedWiring = later(() => import("./SelectedWiring").then((m) => m.SelectedWiring));

/** The planning of rows and columns comes with its first use. */
async function shareOut(shape: MatrixShape): Promise<void> {
  const { shareOutMatrix } = await import("@/core/edits/shareOutMatrix");
  edit("share out rows and columns", (design) => shareOutMatrix(design, shape));
}

async function everythingDirect(): Promise<void> {
  const { shareOutDirect } = await import("@/core/edits/wiring");
  edit("wire everything direct", shareOutDirect);
}

/** All circuits, what is selected, and the settings of the circuit in hand. */
export function CircuitsTab() {
  const design = useDesign();
  const circuitId = useWiringView((state) => state.circuitId);
  const open = design.circuits.find(({ id }) => id === circuitId);
  const { chosen } = design.brief;
  const selection = useHand((state) => state.selection);
  const selected = [...derive(design).elements.values()].some(({ controlId }) => selection.includes(controlId));
  return (
    <>
      <Section title="Share out">
        <Row>
          <StepButton onClick={() => void shareOut("as-laid-out")}>Follow the rows as they lie</StepButton>
          <PlainButton onClick={() => void shareOut("fewest-pins")}>Fewest pins</PlainButton>
          <PlainButton onClick={() => void everythingDirect()}>Everything direct</PlainButton>
          {chosen && <PlainButton onClick={() => void wireAsBriefSays(design)}>As the brief says</PlainButton>}
        </Row>
      </Section>
      {selected ? (
        <SelectedWiring design={design} />
      ) : (
        <Section title="Selected">
          <div>
            Select parts on the mat or in the table to put them into a circuit. With switches of a matrix selected, a
            click on a flag such as R2 or C3 moves them there.
          </div>
        </Section>
      )}
      {design.circuits.length > 0 && <CircuitList design={design} openId={open?.id ?? null} />}
      {open && <CircuitSection key={open.id} circuit={open} />}
      <Totals design={design} />
    </>
  );
}

function CircuitList({ design, openId }: { design: Design; openId: string | null }) {
  const { builtCircuits } = derive(design);
  return (
    <Section title="Circuits">
      <Box as="ul" listStyleType="none">
        {design.circuits.map((circuit, nth) => (
          <li key={circuit.id}>
            <button
              className="line-button"
              aria-pressed={circuit.id === openId}
              onClick={() => pickCircuit(circuit.id === openId ? null : circuit.id)}
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
                {builtCircuits[nth].chips.length > 0
                  ? `, ${counted(builtCircuits[nth].chips.length, "added part")}`
                  : ""}
                , {counted(builtCircuits[nth].nets.filter(({ need }) => need !== null).length, "pin")}
                {design.controllers.length > 1 && `, ${halfName(design, derive(design).servedBy(circuit) ?? "")}`}
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
  const { chips, builtCircuits } = derive(design);
  const { settleUs } = design.timing;
  const readUs = builtCircuits.reduce((sum, { reading }) => sum + reading.settles * settleUs + reading.fixedUs, 0);
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
