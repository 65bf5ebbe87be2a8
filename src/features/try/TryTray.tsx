"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import type { MatrixCircuit } from "@/core/circuits/matrix";
import {
  clearText,
  flipElement,
  pressElement,
  setBounce,
  setComputerLanguage,
  setWithoutDiodes,
  spinElement,
  turnElement,
  useSession,
} from "@/store/session";
import type { Design } from "@/core/document/schema";
import { movableEnds } from "@/core/engine/movable";
import { useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { FirstKeymapOffer } from "@/ui/pieces/FirstKeymapOffer";
import { Section, Values } from "@/ui/pieces/sheets";
import { HostBox } from "./HostBox";

/** The list of languages is long. */
const LanguageField = dynamic(() => import("@/ui/pieces/LanguageField").then((m) => m.LanguageField));

/** The host that listens, and what may go wrong on purpose. */
export function TryTray() {
  const design = useDesign();
  const { bounce, withoutDiodes, language, activeLayers, deeds, reports } = useSession();
  const hasMatrix = design.circuits.some(
    (circuit): circuit is MatrixCircuit => circuit.kind === "matrix" && circuit.diodes !== "none",
  );
  const refusal = useSession((state) => state.refusal);
  return (
    <>
      {refusal && (
        <Box role="alert" bg="var(--stop)" color="var(--sheet)" padding="8px 10px" marginTop="8px">
          {refusal}
        </Box>
      )}
      <FirstKeymapOffer design={design} />
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
      <EndsSection design={design} />
      <Section title="What if">
        <Checkbox label="Contacts bounce, up to 4 ms" checked={bounce} onChange={setBounce} />
        <Checkbox
          label="The diodes were left out"
          disabled={!hasMatrix}
          checked={withoutDiodes}
          onChange={setWithoutDiodes}
        />
        <LanguageField
          label="The computer is set to"
          value={language}
          none="what the keymap is made for"
          onCommit={(id) => void setComputerLanguage(id)}
        />
      </Section>
    </>
  );
}

/** Ends that are too small or too many to be found on the mat: every turn, and contacts beyond a control's first. */
function EndsSection({ design }: { design: Design }) {
  const held = useSession((state) => state.held);
  const ends = design.controls.flatMap((control) => {
    const movable = movableEnds(control);
    const contacts = movable.filter(({ kind }) => kind === "switch");
    return movable
      .filter((end) => end.kind === "quadrature" || contacts.length > 1)
      .map((end) => ({ end, others: contacts.filter(({ id, stays }) => stays && id !== end.id).map(({ id }) => id) }));
  });
  if (ends.length === 0) return null;
  return (
    <Section title="Turn and tilt">
      {ends.map(({ end, others }) => (
        <Box key={end.id} display="flex" alignItems="center" gap="8px">
          <Box flex="1">{end.label}</Box>
          {end.kind === "quadrature" ? (
            <>
              <PlainButton aria-label={`Turn ${end.label} anticlockwise`} onClick={() => turnElement(end.id, -1)}>
                ↺
              </PlainButton>
              <PlainButton aria-label={`Turn ${end.label} clockwise`} onClick={() => turnElement(end.id, 1)}>
                ↻
              </PlainButton>
              <PlainButton
                aria-label={`Spin ${end.label}`}
                title={`Once round at ${design.brief.wish.turnsPerSecond} turns a second, the fastest that the brief wishes: are all steps told?`}
                onClick={() => spinElement(end.id)}
              >
                Spin
              </PlainButton>
            </>
          ) : (
            <PlainButton
              aria-label={`Press ${end.label}`}
              aria-pressed={held.includes(end.id)}
              onClick={() => (end.stays ? flipElement(end.id, others) : tap(end.id))}
            >
              {end.stays ? "Flip" : "Press"}
            </PlainButton>
          )}
        </Box>
      ))}
    </Section>
  );
}

/** A press of the shortest time that a finger takes. */
function tap(elementId: string) {
  pressElement(elementId, true);
  pressElement(elementId, false);
}
