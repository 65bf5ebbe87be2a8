"use client";

import { useState } from "react";
import { Box } from "@chakra-ui/react";
import { type StartingWay, startKeymap, startingBindings, startingWays } from "@/core/edits/firstKeymap";
import { openInputs } from "@/core/keymap/openInputs";
import { edit } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

const WORDS: Record<StartingWay, string> = {
  labels: "what their labels name",
  letters: "letters, then digits, in order",
  "function-keys": "spare function keys, F13 to F24",
  "number-pad": "the number pad, in order",
  media: "media for knobs and their pushes",
};

/** What no layer binds yet, and ways to begin with it; what is bound stays. */
export function UnboundSection() {
  const { design } = useKeymap();
  const [way, setWay] = useState<StartingWay>("labels");
  const open = openInputs(design);
  if (open.length === 0) return null;
  const finds = startingBindings(design, way).size;
  return (
    <Section title={`Not bound yet: ${open.length}`}>
      <ChoiceField
        label="Begin with"
        value={way}
        choices={startingWays.map((value) => ({ value, label: WORDS[value] }))}
        onCommit={(value) => setWay(value as StartingWay)}
      />
      <Row>
        <PlainButton disabled={finds === 0} onClick={() => edit(`bind ${WORDS[way]}`, (d) => startKeymap(d, way))}>
          Bind {finds} of {open.length}
        </PlainButton>
      </Row>
      {finds === 0 && (
        <Box fontSize="13px" color="var(--faint)">
          Nothing of that kind is open.
        </Box>
      )}
    </Section>
  );
}
