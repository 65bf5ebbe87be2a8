"use client";

import { type Circuit, circuitKindOf, circuitKinds } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { unwire, wireInto, wireNew } from "@/core/edits/wiring";
import { edit } from "@/store/bench";
import { useHand } from "@/store/hand";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";
import { CellSection } from "./CellSection";
import { PairSection } from "./PairSection";

const circuitNamed = (design: Design, id: string) => design.circuits.find((circuit) => circuit.id === id)!;

/** Circuits that can hold all of what is selected, then kinds that a new one could be of. */
function choicesFor(design: Design, ids: string[]) {
  const { elements } = derive(design);
  const acceptsAll = (kind: (typeof circuitKinds)[number]) => ids.every((id) => kind.accepts(elements.get(id)!));
  const there = design.circuits
    .filter((circuit) => acceptsAll(circuitKindOf(circuit)))
    .map(({ id, name }) => ({ value: id, label: name }));
  const fresh = circuitKinds.filter(acceptsAll).map((kind) => ({
    value: `new ${kind.kind}`,
    label: there.length > 0 ? `new: ${kind.title}` : kind.title,
  }));
  return [...there, ...fresh, { value: "none", label: "not wired" }];
}

/** The circuit of what is selected, and its place in it. */
export function SelectedWiring({ design }: { design: Design }) {
  const selection = useHand((state) => state.selection);
  const { elements, circuitsOf } = derive(design);
  const chosen = [...elements.values()].filter((element) => selection.includes(element.controlId));
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
