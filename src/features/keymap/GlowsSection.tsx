"use client";

import { Box } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { LIMITS } from "@/core/contract/contract";
import { derive } from "@/core/derived/derive";
import type { Glow } from "@/core/document/glows";
import { addGlow, moveGlow, removeGlow } from "@/core/edits/glows";
import { pictureMs } from "@/core/firmware/lights";
import { scanTableOf } from "@/core/firmware/scanTable";
import { glowWords } from "@/core/keymap/glowWords";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { newId } from "@/store/newId";
import { IconButton, PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { SortableLine, SortableList } from "@/ui/pieces/SortableList";
import { GlowSwatch } from "./GlowSwatch";
import { GlowFields } from "./GlowFields";

/** Elements of the selected lights. */
function useChosenLights(): string[] {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const lights = [...derive(design).elements.values()].filter(({ kind }) => kind === "light");
  return lights.filter(({ controlId }) => selection.includes(controlId)).map(({ id }) => id);
}

/** What addressable lights show: glows, the lowest first, of which one is open. */
export function GlowsSection() {
  const design = useDesign();
  const [openId, setOpenId] = useState<string | null>(null);
  const chosen = useChosenLights();
  const glows = design.keymap.glows ?? [];
  const add = (lights: string[] | null, what: string) => {
    const id = newId();
    edit(`let ${what} glow`, (d) => addGlow(d, id, lights));
    setOpenId(id);
  };
  const isFull = glows.length >= LIMITS.GLOWS;
  return (
    <Section title="Lights">
      {glows.length === 0 && (
        <Box color="var(--faint)">
          All lights stay dark. A glow says which of them show what, and when: a layer, a lock, a key that is held, how
          far a knob is, or something calm that moves by itself.
        </Box>
      )}
      {glows.length > 0 && (
        <SortableList
          label="Glows, the lowest first"
          ids={glows.map(({ id }) => id)}
          onMove={(from, to) => edit("order of the glows", (d) => moveGlow(d, glows[from].id, to))}
        >
          {glows.map((glow) => (
            <GlowLine key={glow.id} glow={glow} isOpen={glow.id === openId} onOpen={setOpenId} />
          ))}
        </SortableList>
      )}
      <Row>
        <PlainButton disabled={isFull} onClick={() => add(null, "all lights")}>
          Let all lights glow
        </PlainButton>
        {chosen.length > 0 && (
          <PlainButton disabled={isFull} onClick={() => add(chosen, "the selected lights")}>
            Let the {chosen.length === 1 ? "selected light" : `${chosen.length} selected lights`} glow
          </PlainButton>
        )}
      </Row>
      {isFull && <Box>There are {LIMITS.GLOWS} glows; the firmware knows no more.</Box>}
      {glows.length > 1 && <Box color="var(--faint)">A later one lies on top of those before it.</Box>}
      <PictureNote />
    </Section>
  );
}

/** What lights cost the rest of the device. */
function PictureNote() {
  const design = useDesign();
  const scan = scanTableOf(design);
  const ms = Math.max(20, pictureMs(design, scan));
  if (scan.chains.length === 0)
    return <Box color="var(--warn)">No light is on a chain yet: wire them in Wiring, or nothing tells them.</Box>;
  return (
    <Box fontSize="13px" color="var(--faint)">
      While lights change there is a picture every {ms} ms. Keys wait while it is sent. No light gets brighter than its
      chain may be (Wiring).
    </Box>
  );
}

function GlowLine({ glow, isOpen, onOpen }: { glow: Glow; isOpen: boolean; onOpen: (id: string | null) => void }) {
  const design = useDesign();
  const words = glowWords(glow, design);
  return (
    <SortableLine
      id={glow.id}
      gripLabel={`Drag the glow "${words}" to another place`}
      style={{ padding: "4px 0", flexWrap: "wrap", alignItems: "flex-start" }}
    >
      <GlowSwatch shows={glow.shows} />
      <button
        style={{
          flex: 1,
          minWidth: 0,
          marginLeft: 8,
          textAlign: "left",
          overflowWrap: "anywhere",
          fontWeight: isOpen ? 600 : 400,
        }}
        aria-expanded={isOpen}
        onClick={() => onOpen(isOpen ? null : glow.id)}
      >
        {words}
      </button>
      <IconButton
        aria-label={`Remove the glow "${words}"`}
        onClick={() => edit("remove a glow", (d) => removeGlow(d, glow.id))}
      >
        <Trash2 size={16} />
      </IconButton>
      {isOpen && (
        <Box width="100%" display="flex" flexDirection="column" gap="8px" paddingBlock="6px">
          <GlowFields glow={glow} />
        </Box>
      )}
    </SortableLine>
  );
}
