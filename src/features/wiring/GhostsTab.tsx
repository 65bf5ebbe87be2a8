"use client";

import type { MatrixCircuit } from "@/core/circuits/matrix";
import { derive } from "@/core/derived/derive";
import { changeCircuit } from "@/core/edits/wiring";
import type { Design } from "@/core/document/schema";
import { fitDiodesAt } from "@/core/findings/rules/chords";
import { analyseGhosts } from "@/core/matrix/ghostAnalysis";
import { checkMatrix } from "@/core/matrix/matrixElectrics";
import { reportedBy } from "@/core/matrix/reported";
import { diodesForChords } from "@/core/matrix/safeDiodes";
import { scanGraphOf } from "@/core/matrix/scanGraph";
import { counted, listed } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { select, useHand } from "@/store/hand";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { selectedSwitches } from "./moveToNet";

/** What a matrix reports beyond what is pressed, which diodes help, and how fast it can be scanned. */
export function GhostsTab() {
  const design = useDesign();
  const matrices = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  if (matrices.length === 0)
    return (
      <Section title="Ghosts">
        <div>There is no matrix. Share out rows and columns first; direct wiring and registers have no ghosts.</div>
      </Section>
    );
  return matrices.map((matrix) => <MatrixGhosts key={matrix.id} design={design} matrix={matrix} />);
}

const labelIn = (design: Design) => (id: string) => derive(design).elements.get(id)?.label ?? id;

function MatrixGhosts({ design, matrix }: { design: Design; matrix: MatrixCircuit }) {
  const graph = scanGraphOf(matrix);
  const { rollover, triples, sure, dead } = analyseGhosts(graph);
  const total = graph.keys.length;
  return (
    <>
      <Section title={`${matrix.name}: rollover`}>
        <Values
          rows={[
            ["Told apart at once", rollover === null ? "any number (n-key)" : `any ${rollover} (${rollover}-key)`],
            ["Sets of 3 that make a ghost", triples],
            ["Switches that are never a ghost", `${sure.length} of ${total}`],
            ...(dead.length > 0 ? ([["Never reported alone", dead.length]] as [string, number][]) : []),
          ]}
        />
      </Section>
      <Pressed design={design} matrix={matrix} />
      <Chords design={design} matrix={matrix} />
      <Electrics design={design} matrix={matrix} />
    </>
  );
}

function Pressed({ design, matrix }: { design: Design; matrix: MatrixCircuit }) {
  const selection = useHand((state) => state.selection);
  const pressed = selectedSwitches(design, selection).filter((id) => id in matrix.cells);
  const label = labelIn(design);
  if (pressed.length === 0)
    return (
      <Section title="Pressed together">
        <div>Select switches to see what the matrix reports while all of them are pressed.</div>
      </Section>
    );
  const { ghosts, missed } = reportedBy(scanGraphOf(matrix), new Set(pressed));
  const addChord = () =>
    edit("pressed together", (d) =>
      changeCircuit<MatrixCircuit>(d, matrix.id, { chords: [...matrix.chords, pressed.slice(0, 32)] }),
    );
  return (
    <Section title="Pressed together">
      <div role="status">
        {listed(pressed.map(label))}:{" "}
        {ghosts.length === 0 && missed.length === 0
          ? "reported as pressed."
          : [
              ghosts.length > 0 ? `${listed(ghosts.map(label))} appear${ghosts.length === 1 ? "s" : ""} too` : "",
              missed.length > 0
                ? `${listed(missed.map(label))} ${missed.length === 1 ? "is" : "are"} not reported`
                : "",
            ]
              .filter(Boolean)
              .join("; ") + "."}
      </div>
      {pressed.length > 1 && (
        <Row>
          <PlainButton onClick={addChord}>These must be safe together</PlainButton>
        </Row>
      )}
    </Section>
  );
}

function Chords({ design, matrix }: { design: Design; matrix: MatrixCircuit }) {
  if (matrix.chords.length === 0) return null;
  const graph = scanGraphOf(matrix);
  const label = labelIn(design);
  const needed = diodesForChords(graph, matrix.chords);
  const remove = (nth: number) =>
    edit("forget a chord", (d) =>
      changeCircuit<MatrixCircuit>(d, matrix.id, { chords: matrix.chords.filter((_, at) => at !== nth) }),
    );
  return (
    <Section title="Must be safe together">
      {matrix.chords.map((chord, nth) => {
        const { ghosts } = reportedBy(graph, new Set(chord));
        const words = listed(chord.map(label));
        return (
          <div key={nth} style={{ display: "flex", justifyContent: "space-between", gap: 8, alignItems: "center" }}>
            <button
              style={{ textAlign: "left", textDecoration: "underline" }}
              onClick={() => select(chord.map((id) => derive(design).elements.get(id)!.controlId))}
            >
              {words}
            </button>
            <span>{ghosts.length === 0 ? "safe" : `${counted(ghosts.length, "ghost")}`}</span>
            <PlainButton height="26px" aria-label={`Forget ${words}`} onClick={() => remove(nth)}>
              Forget
            </PlainButton>
          </div>
        );
      })}
      {needed.length === 0 ? (
        <div>All of them are safe.</div>
      ) : (
        <Row>
          <StepButton onClick={() => edit("fit the fewest diodes", (d) => fitDiodesAt(d, matrix, needed))}>
            Fit {counted(needed.length, "diode")}: {listed(needed.map(label))}
          </StepButton>
        </Row>
      )}
    </Section>
  );
}

function Electrics({ design, matrix }: { design: Design; matrix: MatrixCircuit }) {
  const check = checkMatrix(design, matrix);
  if (!check)
    return (
      <Section title="Levels and speed">
        <div>Choose a controller in Pins: its thresholds and pull-ups decide levels and speed.</div>
      </Section>
    );
  return (
    <Section title="Levels and speed">
      <Values
        rows={[
          ["A closed switch reads", `${check.lowV.toFixed(2)} V`],
          ["Margin to surely low", `${check.lowMarginV.toFixed(2)} V`],
          ["Lines settle after", `${check.settleUs.toFixed(1)} µs`],
          ["Firmware waits", `${design.timing.settleUs} µs`],
          ["Longest line", `${check.longestMm.toFixed(0)} mm`],
          ["Safe scans a second, at most", check.scansPerSecond.toFixed(0)],
        ]}
      />
    </Section>
  );
}
