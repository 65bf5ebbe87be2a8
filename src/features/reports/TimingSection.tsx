"use client";

import { Box } from "@chakra-ui/react";
import { setDebounceOf, setTiming } from "@/core/edits/timing";
import { type Debounce, type Timing, debounceOf, debounceSchools, timingSchema } from "@/core/document/debounce";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { PlainButton } from "@/ui/pieces/buttons";
import { Columns, Row, Section } from "@/ui/pieces/sheets";

const SCHOOLS = {
  deferred: "Deferred: counts when it has lasted",
  eager: "Eager: counts at once",
};

/** What a school costs and risks, with the numbers of this setting. */
function schoolWords({ school, ms }: Debounce): string {
  if (ms === 0) return "No time: every bounce of the contact is told, so a press may come several times.";
  return school === "deferred"
    ? `Costs ${ms} ms at each press and release. A spike on a long wire that is shorter than ${ms} ms is no keystroke.`
    : `Costs nothing. What follows within ${ms} ms is passed over, so quicker taps are lost; a spike on a long wire is a keystroke.`;
}

function DebounceFields({ value, onChange }: { value: Debounce; onChange: (next: Debounce) => void }) {
  return (
    <>
      <ChoiceField
        label="Debounce"
        value={value.school}
        choices={debounceSchools.map((school) => ({ value: school, label: SCHOOLS[school] }))}
        onCommit={(school) => onChange({ ...value, school: school as Debounce["school"] })}
      />
      <NumberField
        label="Time"
        unit="ms"
        whole
        schema={fieldOf(timingSchema, "debounce", "ms")}
        value={value.ms}
        onCommit={(ms) => onChange({ ...value, ms })}
      />
      <Box fontSize="13px" color="var(--faint)">
        {schoolWords(value)}
      </Box>
    </>
  );
}

/** How contacts are taken for true, and how long lines settle and steps last. */
export function TimingSection() {
  const design = useDesign();
  const { timing } = design;
  const set = (what: string, change: Partial<Timing>) => edit(`set the ${what}`, (d) => setTiming(d, change));
  return (
    <>
      <Section title="Timing">
        <DebounceFields value={timing.debounce} onChange={(debounce) => set("debounce", { debounce })} />
        <Columns count={2}>
          <NumberField
            label="Settle"
            unit="µs"
            whole
            schema={fieldOf(timingSchema, "settleUs")}
            value={timing.settleUs}
            onCommit={(settleUs) => set("settle time", { settleUs })}
          />
          <NumberField
            label="Step"
            unit="ms"
            whole
            schema={fieldOf(timingSchema, "pulseMs")}
            value={timing.pulseMs}
            onCommit={(pulseMs) => set("step time", { pulseMs })}
          />
        </Columns>
      </Section>
      <OwnDebounce />
    </>
  );
}

/** Parts that are taken otherwise than the rest: those selected, and how many there are. */
function OwnDebounce() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const own = Object.keys(design.timing.debounceOf);
  const chosen = design.controls.filter(({ id }) => selection.includes(id));
  const words =
    own.length === 0
      ? "All parts are taken alike."
      : `${own.length === 1 ? "1 part is" : `${own.length} parts are`} taken otherwise.`;
  if (chosen.length === 0)
    return (
      <Section title="Parts of their own time">
        <p>{words} Pick parts on the mat to set theirs, say those on long wires.</p>
      </Section>
    );
  const name = chosen.length === 1 ? chosen[0].label : `${chosen.length} parts`;
  const ids = chosen.map(({ id }) => id);
  const hasOwn = ids.some((id) => Object.hasOwn(design.timing.debounceOf, id));
  return (
    <Section title={`Debounce of ${name}`}>
      <DebounceFields
        value={debounceOf(design, ids[0])}
        onChange={(debounce) => edit(`set the debounce of ${name}`, (d) => setDebounceOf(d, ids, debounce))}
      />
      <Row>
        <PlainButton disabled={!hasOwn} onClick={() => edit(`take ${name} as all`, (d) => setDebounceOf(d, ids, null))}>
          As all others
        </PlainButton>
      </Row>
    </Section>
  );
}
