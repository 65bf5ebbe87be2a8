"use client";

import { later } from "@/ui/pieces/later";
import { useState } from "react";
import { Box } from "@chakra-ui/react";
import { LIMITS } from "@/core/contract/contract";
import { addMacro } from "@/core/edits/macros";
import { edit, useDesign } from "@/store/bench";
import { newId } from "@/store/newId";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

/** What is edited in a dialog comes with it. */
const MacroDialog = later(() => import("./MacroDialog").then((m) => m.MacroDialog));

/** Steps that the device does by itself: all that there are. */
export function MacrosSection() {
  const macros = useDesign().keymap.macros ?? [];
  const [openId, setOpenId] = useState<string | null>(null);
  const open = macros.find(({ id }) => id === openId);
  const add = () => {
    const id = newId();
    edit("add a macro", (d) => addMacro(d, id, `Macro ${macros.length + 1}`));
    setOpenId(id);
  };
  return (
    <Section title="Macros">
      {macros.length === 0 && (
        <Box color="var(--faint)" fontSize="13px">
          Steps that the device does by itself: a text, a row of keys, pauses.
        </Box>
      )}
      {macros.map(({ id, name, steps }) => (
        <Box key={id} display="flex" alignItems="center" gap="8px">
          <Box flex="1">
            {name}{" "}
            <Box as="span" color="var(--faint)">
              {steps.length} {steps.length === 1 ? "step" : "steps"}
            </Box>
          </Box>
          <PlainButton height="26px" aria-label={`Change ${name}`} onClick={() => setOpenId(id)}>
            Change
          </PlainButton>
        </Box>
      ))}
      <Row>
        <PlainButton onClick={add} disabled={macros.length >= LIMITS.MACROS}>
          Add a macro
        </PlainButton>
      </Row>
      {open && <MacroDialog key={open.id} macro={open} onClose={() => setOpenId(null)} />}
    </Section>
  );
}
