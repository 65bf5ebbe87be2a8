"use client";

import { Box } from "@chakra-ui/react";
import { chosenCase } from "@/core/cases/casePlan";
import type { Stack } from "@/core/making/stack";
import { useDesign } from "@/store/bench";
import { pickStack } from "@/store/stepInHand";
import { ChoiceField } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";
import { useStack } from "./useStack";

const mm = (value: number) => `${value.toFixed(1)} mm`;

/** Heights on both sides of the plate, and what follows from them. */
export function StackTab() {
  const design = useDesign();
  const shown = useStack();
  if (!shown)
    return <Section title="Stack">Loose parts have no stack: give them a board with an edge in Layout.</Section>;
  const { board, stack, boards } = shown;
  const plan = chosenCase(design, board);
  return (
    <>
      <Section title="How deep it must be">
        {boards.length > 1 && (
          <ChoiceField
            label="Board"
            value={board.id}
            choices={boards.map(({ id, name }) => ({ value: id, label: name }))}
            onCommit={pickStack}
          />
        )}
        <Box fontSize="16px" fontWeight="700" role="status" aria-label="Inner height">
          {mm(stack.innerMm)} free beneath the plate
        </Box>
        <Values
          rows={[
            ["Highest above the plate", mm(stack.aboveMm)],
            [
              "Plate to the top of the made board",
              stack.boardDepthMm === null ? "no made board" : mm(stack.boardDepthMm),
            ],
            ...(plan
              ? ([["With the case that was chosen", mm(plan.seatMm - plan.floorMm)]] as [string, string][])
              : ([
                  ["Standoffs", `${stack.standoffMm} mm long`],
                  ["Screws, plate and floor", `${stack.screwMm} mm long`],
                ] as [string, string][])),
          ]}
        />
        <Box color="var(--faint)">
          Standoffs and screws as they are sold: a screw holds 4 mm deep. Heights of switches are those of their parts,
          of modules and wires from memory: measure yours.
        </Box>
      </Section>
      <Plugs stack={stack} />
      <Troubles stack={stack} />
    </>
  );
}

function Plugs({ stack: { plugs } }: { stack: Stack }) {
  if (plugs.length === 0) return null;
  return (
    <Section title="Where the plug comes out">
      {plugs.map(({ controllerId, at, middleMm, widthMm, heightMm }) => (
        <Values
          key={controllerId}
          rows={[
            ["On the mat", `${at.xMm.toFixed(1)}, ${at.yMm.toFixed(1)} mm`],
            [
              middleMm < 0 ? "Middle below the plate's front" : "Middle above the plate's front",
              mm(Math.abs(middleMm)),
            ],
            ["Opening for the plug's shell", `${widthMm.toFixed(0)} × ${heightMm.toFixed(0)} mm`],
            ["Cable bend behind the plug", "at least 20 mm"],
          ]}
        />
      ))}
      <Box color="var(--faint)">
        A cable of 4 to 5 mm wants a bend of about four times its diameter (common practice).
      </Box>
    </Section>
  );
}

function Troubles({ stack: { collisions, misfits, boardDepthMm } }: { stack: Stack }) {
  if (collisions.length + misfits.length === 0)
    return <Section title="What collides">Nothing wants the room of anything else.</Section>;
  return (
    <Section title="What collides">
      <ul style={{ paddingLeft: 18, margin: 0 }}>
        {collisions.slice(0, 12).map(([a, b]) => (
          <li key={`${a} ${b}`}>
            {a} and {b} want the same room.
          </li>
        ))}
        {collisions.length > 12 && <li>{collisions.length - 12} more pairs.</li>}
        {misfits.map(({ title, seatMm }) => (
          <li key={title}>
            {title} wants the board {mm(seatMm)} beneath the plate&apos;s front, the others {mm(boardDepthMm ?? 0)}:
            lead its legs by wires, or put it on a board of its own.
          </li>
        ))}
      </ul>
    </Section>
  );
}
