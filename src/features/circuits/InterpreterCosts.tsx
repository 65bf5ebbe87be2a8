"use client";

import { timingSchema } from "@/core/document/debounce";
import { setTiming } from "@/core/edits/timing";
import { CYCLES_A_CALL, CYCLES_A_STEP } from "@/core/firmware/interpreterCost";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Row } from "@/ui/pieces/sheets";

const middle = ({ least, most }: { least: number; most: number }) => Math.round(Math.sqrt(least * most));
const range = ({ least, most }: { least: number; most: number }) => `${least} to ${most}`;
const schema = fieldOf(timingSchema, "interpreter");

const LINES: NumberLine<"cyclesAStep" | "cyclesACall">[] = [
  { key: "cyclesAStep", label: "Cycles an instruction", unit: "" },
  { key: "cyclesACall", label: "Cycles a pin call", unit: "" },
];

/** What an interpreter takes, from memory until someone has measured it. */
export function InterpreterCosts() {
  const { interpreter } = useDesign().timing;
  const costs = interpreter ?? { cyclesAStep: middle(CYCLES_A_STEP), cyclesACall: middle(CYCLES_A_CALL) };
  const set = (change: Partial<typeof costs>) =>
    edit("costs of the interpreter", (d) => setTiming(d, { interpreter: { ...costs, ...change } }));
  return (
    <>
      <Columns>
        <NumberFields schema={schema} lines={LINES} values={costs} onCommit={(key, value) => set({ [key]: value })} />
      </Columns>
      {interpreter ? (
        <Row>
          <PlainButton
            onClick={() =>
              edit("costs of the interpreter from memory", (d) => setTiming(d, { interpreter: undefined }))
            }
          >
            Back to what memory says
          </PlainButton>
        </Row>
      ) : (
        <div style={{ color: "var(--faint)", fontSize: 13 }}>
          From memory: {range(CYCLES_A_STEP)} an instruction, {range(CYCLES_A_CALL)} a call. Type what you measured on
          your board, and the range goes.
        </div>
      )}
    </>
  );
}
