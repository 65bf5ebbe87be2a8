"use client";

import { Box } from "@chakra-ui/react";
import type { Control } from "@/core/catalogue/kinds";
import type { MatrixCircuit } from "@/core/circuits/matrix";
import { clearText, setBounce, setWithoutDiodes, turnElement, useSession } from "@/store/session";
import { useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { Tick } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";
import { HostBox } from "./HostBox";

/** The host that listens, and what may go wrong on purpose. */
export function TryTray() {
  const design = useDesign();
  const { bounce, withoutDiodes, activeLayers, deeds, reports } = useSession();
  const hasMatrix = design.circuits.some(
    (circuit): circuit is MatrixCircuit => circuit.kind === "matrix" && circuit.diodes !== "none",
  );
  const encoders = design.controls.filter((control) => control.kind === "encoder");
  return (
    <>
      <Section
        title="What the computer types"
        aside={
          <PlainButton height="26px" onClick={clearText}>
            Clear
          </PlainButton>
        }
      >
        <HostBox design={design} />
        <Box fontSize="13px" color="var(--faint)">
          Click into it and type: keys of your own keyboard press the device’s key that is bound to them. Tab leaves.
        </Box>
        {deeds.length > 0 && (
          <Box
            as="ul"
            listStyleType="none"
            fontSize="13px"
            maxHeight="96px"
            overflowY="auto"
            tabIndex={0}
            aria-label="Other things the computer was told"
          >
            {deeds
              .slice(-12)
              .reverse()
              .map(({ atMs, deed }, i) => (
                <li key={`${atMs} ${i}`}>
                  <Box as="span" fontFamily="mono">
                    {atMs} ms
                  </Box>{" "}
                  {deed}
                </li>
              ))}
          </Box>
        )}
      </Section>
      <Section title="State">
        <Values
          rows={[
            ["Layer", activeLayers.map((index) => design.keymap.layers[index]?.name).join(" over ") || "none"],
            ["Reports sent", reports.length],
            ["Debounce", `${design.timing.debounce.ms} ms, ${design.timing.debounce.school}`],
          ]}
        />
      </Section>
      {encoders.length > 0 && (
        <Section title="Turn">
          {encoders.map((control) => (
            <TurnButtons key={control.id} control={control} />
          ))}
        </Section>
      )}
      <Section title="What if">
        <Tick label="Contacts bounce, up to 4 ms" checked={bounce} onChange={setBounce} />
        <Tick
          label="The diodes were left out"
          disabled={!hasMatrix}
          checked={withoutDiodes}
          onChange={setWithoutDiodes}
        />
      </Section>
    </>
  );
}

function TurnButtons({ control }: { control: Control }) {
  const id = `${control.id}:turn`;
  return (
    <Box display="flex" alignItems="center" gap="8px">
      <Box flex="1">{control.label}</Box>
      <PlainButton aria-label={`Turn ${control.label} anticlockwise`} onClick={() => turnElement(id, -1)}>
        ↺
      </PlainButton>
      <PlainButton aria-label={`Turn ${control.label} clockwise`} onClick={() => turnElement(id, 1)}>
        ↻
      </PlainButton>
    </Box>
  );
}
