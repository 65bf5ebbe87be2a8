"use client";

import { Box, Textarea } from "@chakra-ui/react";
import { useMemo } from "react";
import { guessHomes } from "@/core/reach/homes";
import { movementWords, reachOf } from "@/core/reach/reach";
import { type Finger, type ReachSettings, fingers } from "@/core/document/reachSettings";
import { edit, useDesign } from "@/store/bench";
import { select, useHand } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";

const SAMPLE =
  "The warp is wound before the weft. Every pattern begins with a thread, and a thread begins with a number: 4 up, 3 down.";

const setReach = (what: string, change: Partial<ReachSettings>) =>
  edit(`reach: ${what}`, (d) => ({ ...d, reach: { ...d.reach, ...change } }));

/** Where fingers rest, how far they go for a text, and what is worst. */
export function ReachTab() {
  const design = useDesign();
  const { homes, sample } = design.reach;
  const result = useMemo(() => reachOf(design), [design]);
  const selection = useHand((state) => state.selection);
  const inHand = design.controls.find(({ id }) => id === selection.at(-1));
  const setHome = (finger: Finger, controlId: string) => {
    const others = homes.filter((home) => home.finger !== finger);
    setReach(`home of ${finger}`, { homes: controlId === "" ? others : [...others, { finger, controlId }] });
  };
  const keys = design.controls.filter(({ kind }) => kind === "key").map(({ id, label }) => ({ value: id, label }));
  return (
    <>
      <Section title="Homes of the fingers">
        {homes.length === 0 && <div>Where do the fingers rest? Let the keymap say it, or choose below.</div>}
        <Row>
          <PlainButton onClick={() => setReach("homes", { homes: guessHomes(design) })}>
            Take them from the keymap
          </PlainButton>
        </Row>
        <Columns>
          {fingers.map((finger) => (
            <ChoiceField
              key={finger}
              label={finger[0].toUpperCase() + finger.slice(1)}
              value={homes.find((home) => home.finger === finger)?.controlId ?? ""}
              choices={[{ value: "", label: "none" }, ...keys]}
              onCommit={(controlId) => setHome(finger, controlId)}
            />
          ))}
        </Columns>
        {inHand && <div>In hand: {inHand.label}</div>}
      </Section>
      <Section title="A text to type">
        <Textarea
          aria-label="Text sample"
          rows={4}
          fontSize="13px"
          value={sample}
          onChange={(event) => setReach("text sample", { sample: event.target.value.slice(0, 20_000) })}
        />
        {sample === "" && (
          <Row>
            <PlainButton onClick={() => setReach("text sample", { sample: SAMPLE })}>Take an example</PlainButton>
          </Row>
        )}
      </Section>
      {result.presses > 0 && (
        <Section title="What it takes">
          <Values
            rows={[
              ["Presses", result.presses],
              ["Way of the fingertips", `${(result.travelMm / 1000).toFixed(2)} m`],
              ["A press on average", `${(result.travelMm / result.presses).toFixed(1)} mm`],
              ["Same finger twice", `${(100 * result.sameFinger).toFixed(1)} %`],
              ...fingers.flatMap((finger): [string, string][] => {
                const load = result.fingers.find((each) => each.finger === finger);
                return load ? [[finger, `${load.presses} × ${(load.travelMm / load.presses).toFixed(0)} mm`]] : [];
              }),
            ]}
          />
          <Box fontWeight="600">Worst movements</Box>
          <ol style={{ paddingLeft: 20, margin: 0 }} aria-label="Worst movements">
            {result.worst.map((movement) => (
              <li key={`${movement.fromId} ${movement.toId}`}>
                <button
                  style={{ textAlign: "left", textDecoration: "underline" }}
                  onClick={() => select([movement.fromId, movement.toId])}
                >
                  {movementWords(design, movement)}
                </button>
              </li>
            ))}
          </ol>
        </Section>
      )}
      {result.untyped.length > 0 && (
        <Section title="Not typed by any key">
          <Box fontFamily="mono">
            {result.untyped.map((sign) => (sign === " " ? "space" : sign === "\n" ? "return" : sign)).join(" ")}
          </Box>
        </Section>
      )}
    </>
  );
}
