"use client";

import { Box } from "@chakra-ui/react";
import { later } from "@/ui/pieces/later";
import { useState } from "react";
import type { CapSet, ColourGroup } from "@/core/document/capSet";
import { coverage, keysOf, missingBySize } from "@/core/capsets/coverage";
import { rowChanges } from "@/core/capsets/rowChanges";
import { applyRowChange } from "@/core/edits/capRows";
import { changeControl } from "@/core/edits/controls";
import type { Design } from "@/core/document/schema";
import { counted } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { select, useHand } from "@/store/hand";
import { newId } from "@/store/newId";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, TextField, Checkbox } from "@/ui/pieces/fields";
import { Row, Section, Values } from "@/ui/pieces/sheets";

const CapSetDialog = later(() => import("./CapSetDialog").then((m) => m.CapSetDialog));

const changeSet = (design: Design, id: string, change: Partial<CapSet>): Design => ({
  ...design,
  capSets: design.capSets.map((set) => (set.id === id ? { ...set, ...change } : set)),
});

/** Cap sets against the layout, and colour groups. */
export function CapsTab() {
  const design = useDesign();
  const [open, setOpen] = useState<string | null>(null);
  const [isReading, setReading] = useState(false);
  const set = design.capSets.find(({ id }) => id === open) ?? design.capSets[0];
  return (
    <>
      <Section title="Cap sets">
        {design.capSets.length === 0 && (
          <div>Describe the caps you have: sizes, counts, rows. Then it shows whether they cover this layout.</div>
        )}
        {design.capSets.length > 0 && (
          <ChoiceField
            label="Set"
            value={set.id}
            choices={design.capSets.map(({ id, name }) => ({ value: id, label: name }))}
            onCommit={setOpen}
          />
        )}
        <Row>
          <PlainButton onClick={() => setReading(true)}>Describe or read in a set</PlainButton>
        </Row>
      </Section>
      {set && <CoverageSection key={set.id} set={set} />}
      <ColourSection />
      {isReading && (
        <CapSetDialog
          onClose={(id) => {
            setReading(false);
            if (id) setOpen(id);
          }}
        />
      )}
    </>
  );
}

function CoverageSection({ set }: { set: CapSet }) {
  const design = useDesign();
  const result = coverage(design, set);
  const missing = missingBySize(result.missing);
  const changes = result.missing.length > 0 ? rowChanges(design, set) : [];
  const left = result.leftOver.reduce((sum, { count }) => sum + count, 0);
  return (
    <Section title={set.name}>
      <TextField
        label="Name of the set"
        value={set.name}
        check={(text) => (text.trim() === "" || text.length > 80 ? "A name has 1 to 80 characters." : null)}
        onCommit={(name) => edit("name of a cap set", (d) => changeSet(d, set.id, { name: name.trim() }))}
      />
      <Checkbox
        label="Sculpted: a cap belongs to its row"
        checked={set.sculpted}
        onChange={(sculpted) => edit("sculpted set", (d) => changeSet(d, set.id, { sculpted }))}
      />
      <Values
        rows={[
          ["Keys covered", `${result.capOf.size} of ${result.keys}`],
          ["Caps missing", result.missing.length],
          ["Caps left over", left],
        ]}
      />
      {missing.length > 0 && (
        <ul style={{ paddingLeft: 18, margin: 0 }} aria-label="Missing caps">
          {missing.map(({ words, keys }) => (
            <li key={words}>
              <button style={{ textDecoration: "underline" }} onClick={() => select(keys.map(({ id }) => id))}>
                {keys.length} of {words}
              </button>{" "}
              for{" "}
              {keys
                .slice(0, 4)
                .map(({ label }) => label)
                .join(", ")}
              {keys.length > 4 ? ` and ${keys.length - 4} more` : ""}
            </li>
          ))}
        </ul>
      )}
      {changes.map((change) => (
        <Box key={change.words} display="flex" gap="8px" justifyContent="space-between" alignItems="center">
          <span>
            {change.words}
            {change.lengthU === 0
              ? ": the row keeps its length"
              : `: the row is ${Math.abs(change.lengthU)} u ${change.lengthU > 0 ? "longer" : "shorter"}`}
          </span>
          <StepButton height="26px" onClick={() => edit("caps that are there", (d) => applyRowChange(d, change))}>
            Change
          </StepButton>
        </Box>
      ))}
      {result.missing.length === 0 && result.keys > 0 && <div>The set covers this layout.</div>}
      {result.leftOver.length > 0 && (
        <details>
          <summary>{counted(left, "cap")} left over</summary>
          {result.leftOver.map(({ lot, count }, nth) => (
            <div key={nth}>
              {count} of {lot.widthU} × {lot.heightU} u{lot.profile && `, row ${lot.profile}`}
              {lot.label && `, ${lot.label}`}
            </div>
          ))}
        </details>
      )}
      <Row>
        <PlainButton
          onClick={() =>
            edit("remove a cap set", (d) => ({ ...d, capSets: d.capSets.filter(({ id }) => id !== set.id) }))
          }
        >
          Remove the set
        </PlainButton>
      </Row>
    </Section>
  );
}

/** First colours of groups: calm ones that ink can be read on. */
const COLOURS = ["#e8c98a", "#a9c9c4", "#d9b0a4", "#c3cfa5", "#b9bfd6", "#e2d6e0"];

function ColourSection() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const chosen = keysOf(design).filter(({ id }) => selection.includes(id));
  const assign = (groupId: string | null) =>
    edit("colour group", (d) => chosen.reduce((next, { id }) => changeControl(next, id, { groupId }), d));
  const change = (id: string, fields: Partial<ColourGroup>) =>
    edit("colour group", (d) => ({
      ...d,
      colourGroups: d.colourGroups.map((group) => (group.id === id ? { ...group, ...fields } : group)),
    }));
  const add = () =>
    edit("add a colour group", (d) => ({
      ...d,
      colourGroups: [
        ...d.colourGroups,
        {
          id: newId(),
          name: `Group ${d.colourGroups.length + 1}`,
          colour: COLOURS[d.colourGroups.length % COLOURS.length],
        },
      ],
    }));
  return (
    <Section title="Colour groups">
      {design.colourGroups.map((group) => {
        const count = keysOf(design).filter(({ groupId }) => groupId === group.id).length;
        return (
          <Box key={group.id} display="flex" gap="6px" alignItems="end">
            <input
              type="color"
              aria-label={`Colour of ${group.name}`}
              value={group.colour}
              onChange={(event) => change(group.id, { colour: event.target.value })}
              style={{ width: 30, height: 30, border: "1px solid var(--edge)" }}
            />
            <TextField
              label={`${counted(count, "key")}`}
              value={group.name}
              check={(text) => (text.trim() === "" || text.length > 40 ? "1 to 40 characters." : null)}
              onCommit={(name) => change(group.id, { name: name.trim() })}
            />
            <PlainButton
              disabled={chosen.length === 0}
              onClick={() => assign(group.id)}
              aria-label={`Give ${group.name} to the selection`}
            >
              Give
            </PlainButton>
          </Box>
        );
      })}
      <Row>
        <PlainButton onClick={add} disabled={design.colourGroups.length >= 30}>
          Add a group
        </PlainButton>
        <PlainButton disabled={chosen.length === 0} onClick={() => assign(null)}>
          No group for the selection
        </PlainButton>
      </Row>
    </Section>
  );
}
