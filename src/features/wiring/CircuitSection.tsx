"use client";

import { stepsOf } from "@/core/circuits/steps";
import { Box } from "@chakra-ui/react";
import { ArrowDown, ArrowUp } from "lucide-react";
import { type Circuit, circuitKindOf } from "@/core/circuits";
import { derive } from "@/core/derived/derive";
import { halfName } from "@/core/derived/halfName";
import { throughWords } from "@/core/derived/throughWords";
import type { Design } from "@/core/document/schema";
import { serveFrom } from "@/core/edits/controllers";
import { changeCircuit, moveMember, orderMembers } from "@/core/edits/wiring";
import { edit, useDesign } from "@/store/bench";
import { pickControl } from "@/store/pick";
import { PlainButton, IconButton } from "@/ui/pieces/buttons";
import { ChoiceField, TextField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";
import { CircuitFields } from "./CircuitFields";

/** The circuit in hand: its settings, its order and how it is put together. */
export function CircuitSection({ circuit }: { circuit: Circuit }) {
  const design = useDesign();
  const plan = derive(design).builtCircuits[design.circuits.indexOf(circuit)];
  const kind = circuitKindOf(circuit);
  return (
    <Section title={circuit.name}>
      <div>{kind.purpose}</div>
      <TextField
        label="Name"
        value={circuit.name}
        check={(text) => (text.trim() === "" || text.length > 40 ? "A name has 1 to 40 characters." : null)}
        onCommit={(name) => edit("name of a circuit", (d) => changeCircuit(d, circuit.id, { name: name.trim() }))}
      />
      <CircuitFields circuit={circuit} />
      {design.controllers.length > 1 && <ServedBy design={design} circuit={circuit} />}
      {"members" in circuit && <MemberOrder circuit={circuit} />}
      <details>
        <summary>How it is put together</summary>
        <Box
          as="ol"
          listStyleType="decimal"
          paddingLeft="20px"
          marginTop="6px"
          css={{ "& li": { marginBottom: "4px" } }}
        >
          {stepsOf(circuit, plan).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </Box>
      </details>
    </Section>
  );
}

/** Which controller its lines go to. */
const ServedBy = ({ design, circuit }: { design: Design; circuit: Circuit }) => (
  <ChoiceField
    label="Its lines go to the controller on"
    value={derive(design).servedBy(circuit) ?? ""}
    choices={design.controllers.map(({ id }) => ({ value: id, label: halfName(design, id) }))}
    onCommit={(id) => edit(`controller of ${circuit.name}`, (d) => serveFrom(d, circuit.id, id))}
  />
);

/** Members in their order, which decides channels, bits, addresses and indices. */
function MemberOrder({ circuit }: { circuit: Extract<Circuit, { members: string[] }> }) {
  const design = useDesign();
  const { elements } = derive(design);
  const through = throughWords(derive(design));
  const move = (id: string, to: number) => edit("order of a circuit", (d) => moveMember(d, circuit.id, id, to));
  return (
    <details>
      <summary>Order of its {circuit.members.length} members</summary>
      {circuitKindOf(circuit).partLines && (
        <PlainButton onClick={() => edit("order by place", (d) => orderMembers(d, circuit.id))}>
          Order by place: shorter branches
        </PlainButton>
      )}
      <Box as="ol" listStyleType="none" aria-label={`Order of ${circuit.name}`} maxHeight="260px" overflowY="auto">
        {circuit.members.map((id, nth) => (
          <Box as="li" key={id} display="flex" alignItems="center" gap="6px">
            <button
              style={{ flex: 1, textAlign: "left", minWidth: 0 }}
              onClick={() => pickControl(elements.get(id)?.controlId ?? "", false)}
            >
              {nth + 1}. {elements.get(id)?.label ?? id}
              <Box as="span" color="var(--faint)" fontSize="13px">
                {through.has(id) && `, ${through.get(id)}`}
                {through.has(`${id}/A`) && `, ${through.get(`${id}/A`)} and on`}
              </Box>
            </button>
            <IconButton
              height="26px"
              aria-label={`${elements.get(id)?.label ?? id} earlier`}
              disabled={nth === 0}
              onClick={() => move(id, nth - 1)}
            >
              <ArrowUp size={14} />
            </IconButton>
            <IconButton
              height="26px"
              aria-label={`${elements.get(id)?.label ?? id} later`}
              disabled={nth === circuit.members.length - 1}
              onClick={() => move(id, nth + 1)}
            >
              <ArrowDown size={14} />
            </IconButton>
          </Box>
        ))}
      </Box>
    </details>
  );
}
