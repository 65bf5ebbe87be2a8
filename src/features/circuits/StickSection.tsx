"use client";

import { Textarea } from "@chakra-ui/react";
import { useId, useState } from "react";
import type { StickView } from "@/core/analog/analogView";
import { readRests } from "@/core/analog/rest";
import { changeControl } from "@/core/edits/controls";
import { edit } from "@/store/bench";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row, Section, Values } from "@/ui/pieces/sheets";

const percent = (part: number) => `${(100 * part).toFixed(2)} %`;
const MOST = 500;

/** Where a stick comes to rest, and the dead zone that hides it. */
export function StickSection({ stick, bits }: { stick: StickView; bits: number }) {
  const { rest, scaled, label, controlId } = stick;
  return (
    <Section title={`${label} at rest`}>
      {rest ? (
        <Values
          rows={[
            ["Times measured", rest.measured],
            ["Centre", `${percent(rest.centre.x)}, ${percent(rest.centre.y)}`],
            ["Farthest from it", percent(rest.farthest)],
            ["Dead zone, round", `${percent(rest.radial)} of the range`],
            ["By axis", `${percent(rest.byAxis.x)}, ${percent(rest.byAxis.y)}`],
            ["Travel that it takes", percent(rest.lostPart)],
          ]}
        />
      ) : (
        <div>Let the stick go a dozen times, from all sides, and note what the converter says each time.</div>
      )}
      <Values
        rows={[
          [`From ${bits} bits to 8`, `${scaled.together.toFixed(1)} counts a step`],
          ["Steps that cannot be reached", scaled.unreachable],
        ]}
      />
      <RestsField controlId={controlId} bits={bits} />
    </Section>
  );
}

function RestsField({ controlId, bits }: { controlId: string; bits: number }) {
  const id = useId();
  const [text, setText] = useState("");
  const rests = readRests(text, bits);
  const problem =
    text.trim() === ""
      ? null
      : rests === null
        ? `Two numbers a line, x and y, each from 0 to ${2 ** bits - 1}.`
        : rests.length > MOST
          ? `Up to ${MOST} lines are kept; there are ${rests.length}.`
          : null;
  const readFile = async (file: File | undefined) => file && setText(await file.text());
  return (
    <>
      <label htmlFor={id} style={{ fontSize: 13, color: "var(--faint)" }}>
        Readings at rest, x and y a line
      </label>
      <Textarea
        id={id}
        rows={3}
        fontFamily="mono"
        fontSize="14px"
        bg="var(--sheet)"
        borderColor="var(--edge)"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {problem && <div style={{ color: "var(--stop)", fontSize: 13 }}>{problem}</div>}
      <input
        type="file"
        accept=".csv,.txt,text/plain,text/csv"
        aria-label="Read readings from a file"
        onChange={(event) => void readFile(event.target.files?.[0])}
      />
      <Row>
        <StepButton
          disabled={!rests || rests.length === 0 || problem !== null}
          onClick={() => {
            edit("readings at rest", (d) => changeControl(d, controlId, { rests: rests! }));
            setText("");
          }}
        >
          Take these readings
        </StepButton>
        <PlainButton
          onClick={() => edit("no readings at rest", (d) => changeControl(d, controlId, { rests: undefined }))}
        >
          Forget them
        </PlainButton>
      </Row>
    </>
  );
}
