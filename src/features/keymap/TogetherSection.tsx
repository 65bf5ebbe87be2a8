"use client";

import { Box } from "@chakra-ui/react";
import { derive } from "@/core/derived/derive";
import { LIMITS } from "@/core/contract/contract";
import { oppositeSchools, togetherInput } from "@/core/document/keyRules";
import type { Opposite } from "@/core/document/keyRules";
import { addTogether, changeTogether, removeOpposite, removeTogether, setOpposite } from "@/core/edits/keyRules";
import { edit, useDesign } from "@/store/bench";
import { pickInput, select, useHand } from "@/store/hand";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";

/** The first press of each selected control that can take part: what stays where it is put cannot. */
function pressesOf(design: ReturnType<typeof useDesign>, selection: string[]) {
  const presses = derive(design).inputs.filter(({ motion, flips }) => motion === "press" && !flips);
  return selection.flatMap((id) => presses.find(({ controlId }) => controlId === id) ?? []);
}

/** Keys that mean something together, or cannot be meant together: of those selected, and all that there are. */
export function TogetherSection() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const chosen = pressesOf(design, selection);
  const together = design.keymap.together ?? [];
  if (chosen.length < 2 && together.length === 0) return null;
  return (
    <Section title="Keys together">
      {chosen.length >= 2 && <ChosenKeys chosen={chosen} />}
      {chosen.length < 2 && (
        <Box color="var(--faint)">Select two or more keys on the mat to let them do another thing together.</Box>
      )}
      {together.map((one) => (
        <TogetherRow key={one.id} id={one.id} />
      ))}
    </Section>
  );
}

function ChosenKeys({ chosen }: { chosen: ReturnType<typeof pressesOf> }) {
  const design = useDesign();
  const names = chosen.map(({ label }) => label);
  const isThere = (design.keymap.together ?? []).some(
    ({ parts }) => parts.length === chosen.length && chosen.every(({ id }) => parts.includes(id)),
  );
  const isFull = (design.keymap.together ?? []).length >= LIMITS.TOGETHER;
  const add = () => {
    const id = newId();
    const parts = chosen.map((input) => input.id);
    edit(`let ${names.join(" and ")} do another thing together`, (d) => addTogether(d, id, parts));
    pickInput(togetherInput(id));
  };
  return (
    <>
      <Box>{names.join(" and ")} are selected.</Box>
      <Row>
        <PlainButton onClick={add} disabled={isThere || isFull || chosen.length > LIMITS.TOGETHER_PARTS}>
          Together they do another thing
        </PlainButton>
      </Row>
      {chosen.length > LIMITS.TOGETHER_PARTS && <Box>At most {LIMITS.TOGETHER_PARTS} keys can be meant together.</Box>}
      {chosen.length === 2 && <OppositeField first={chosen[0]} second={chosen[1]} />}
    </>
  );
}

type Named = ReturnType<typeof pressesOf>[number];

/** Of two keys: what counts while both are held. */
function OppositeField({ first, second }: { first: Named; second: Named }) {
  const design = useDesign();
  const rule = design.keymap.opposites?.find(
    (one) => [one.first, one.second].includes(first.id) && [one.first, one.second].includes(second.id),
  );
  const side = (one: Named) => `one-side ${one.id}`;
  const value = !rule ? "" : rule.counts === "one-side" ? `one-side ${rule.first}` : rule.counts;
  const words: Record<Exclude<Opposite["counts"], "one-side">, string> = {
    neither: "opposites: neither counts",
    last: "opposites: the last one counts",
    first: "opposites: the first one counts",
  };
  const commit = (next: string) => {
    if (next === "") return edit("let both directions count", (d) => removeOpposite(d, first.id));
    const [counts, id] = next.split(" ") as [Opposite["counts"], string | undefined];
    const [one, other] = id === second.id ? [second, first] : [first, second];
    edit(`settle ${first.label} against ${second.label}`, (d) =>
      setOpposite(d, { first: one.id, second: other.id, counts }),
    );
  };
  return (
    <ChoiceField
      label="While both are held"
      value={value}
      choices={[
        { value: "", label: "both count" },
        ...oppositeSchools.flatMap((school) =>
          school === "one-side"
            ? [first, second].map((one) => ({ value: side(one), label: `opposites: ${one.label} always counts` }))
            : [{ value: school, label: words[school] }],
        ),
      ]}
      onCommit={commit}
    />
  );
}

function TogetherRow({ id }: { id: string }) {
  const design = useDesign();
  const inHand = useHand((state) => state.inputId) === togetherInput(id);
  const one = design.keymap.together?.find((each) => each.id === id);
  const label = derive(design).bindable.find((each) => each.id === togetherInput(id))?.label ?? "";
  if (!one) return null;
  const { inputs } = derive(design);
  const take = () => {
    select(one.parts.flatMap((part) => inputs.find((input) => input.id === part)?.controlId ?? []));
    pickInput(togetherInput(id));
  };
  return (
    <Box borderLeft={`4px solid ${inHand ? "var(--saffron)" : "var(--edge)"}`} paddingLeft="8px">
      <button aria-pressed={inHand} onClick={take} style={{ fontWeight: 600, textAlign: "left", minHeight: 24 }}>
        {label}
      </button>
      <Row>
        <Box width="110px">
          <NumberField
            label="Within"
            unit="ms"
            whole
            min={1}
            max={LIMITS.WINDOW_MS}
            value={one.windowMs}
            onCommit={(windowMs) => edit(`the window of ${label}`, (d) => changeTogether(d, id, { windowMs }))}
          />
        </Box>
        <PlainButton
          alignSelf="flex-end"
          aria-label={`Take ${label} apart`}
          onClick={() => {
            edit(`take ${label} apart`, (d) => removeTogether(d, id));
            pickInput(null);
          }}
        >
          Take apart
        </PlainButton>
      </Row>
    </Box>
  );
}
