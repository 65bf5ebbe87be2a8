"use client";

import { Box } from "@chakra-ui/react";
import { useEffect } from "react";
import type { Design } from "@/core/document/schema";
import { stillPointer } from "@/core/hid/pointerWords";
import { attend, useComputer } from "@/store/computer";
import { useSession } from "@/store/session";
import { later } from "@/ui/pieces/later";
import { Section, Values } from "@/ui/pieces/sheets";
import { listedRows } from "./ComputerSection";

const Deeds = later(() => import("./Deeds").then((m) => m.Deeds));
const PointerArea = later(() => import("./PointerArea").then((m) => m.PointerArea));
const PadView = later(() => import("./PadView").then((m) => m.PadView));
const MusicView = later(() => import("./MusicView").then((m) => m.MusicView));

/** A window that stands in for the computer of a device that is tried in another. */
export function ComputerWindow({ designId }: { designId: string }) {
  const plugged = useComputer((state) => state.plugged);
  useEffect(() => attend(designId), [designId]);
  useEffect(() => {
    document.title = plugged ? `The computer of ${plugged.name}` : "The computer";
  }, [plugged]);
  return (
    <Box as="main" padding="16px 24px" maxWidth="640px" marginInline="auto" display="grid" gap="12px">
      <Box as="h1" fontSize="20px" fontWeight="600">
        {plugged ? `The computer of ${plugged.name}` : "The computer"}
      </Box>
      {plugged ? <Received design={plugged} /> : <Waiting designId={designId} />}
    </Box>
  );
}

const Waiting = ({ designId }: { designId: string }) => (
  <Box role="status">
    Nothing is plugged in. Try the design in another window and leave that open:{" "}
    <Box asChild textDecoration="underline">
      <a href={`/bench/${encodeURIComponent(designId)}/try`} target="_blank" rel="noreferrer">
        open Try
      </a>
    </Box>
    .
  </Box>
);

function Received({ design }: { design: Design }) {
  const text = useSession((state) => state.text);
  const hasDeeds = useSession((state) => state.deeds.length > 0);
  const hasPointed = useSession((state) => state.pointing !== stillPointer);
  const { interfaces } = design.reportSet;
  return (
    <>
      <Section title="What is plugged in">
        <Values rows={listedRows(design)} />
      </Section>
      <Section title="What was typed">
        <Box
          role="textbox"
          aria-label="Typed text"
          aria-multiline="true"
          aria-readonly="true"
          tabIndex={0}
          minHeight="220px"
          padding="12px 16px"
          bg="var(--sheet)"
          border="1px solid var(--edge)"
          fontFamily="mono"
          fontSize="20px"
          whiteSpace="pre-wrap"
          wordBreak="break-word"
        >
          {text}
        </Box>
        {hasDeeds && <Deeds />}
      </Section>
      {hasPointed && (
        <Section title="What the pointer does">
          <PointerArea />
        </Section>
      )}
      {interfaces.includes("pad") && <PadView design={design} />}
      {interfaces.includes("music") && <MusicView />}
    </>
  );
}
