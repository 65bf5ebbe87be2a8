"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { MusicHeard } from "@/core/engine/musicHeard";
import { controllerName, noteName } from "@/core/hid/musicWords";
import { useSession } from "@/store/session";
import { Checkbox } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";
import { Hearing } from "./hearing";
import { NoteStrip } from "./NoteStrip";

const SHOWN = 12;

/** What a program that plays music hears: notes on a strip of keys, what its channels are set to, and events as they came. */
export function MusicView() {
  const heard = useSession((state) => state.heard);
  const [isLoud, setLoud] = useState(false);
  const [hearing, setHearing] = useState<Hearing | null>(null);
  useEffect(() => hearing?.follow(heard), [hearing, heard]);
  useEffect(() => () => hearing?.close(), [hearing]);
  const listen = (on: boolean) => {
    setLoud(on);
    setHearing(on ? new Hearing() : null);
  };
  const names = heard.sounding.map(({ note }) => noteName(note)).join(" ");
  return (
    <Section title="What the music program hears">
      <Checkbox label="Let me hear it, as plain tones" checked={isLoud} onChange={listen} />
      <NoteStrip sounding={heard.sounding} />
      <Values rows={[["Sounds now", names || "nothing"], ...channelRows(heard)]} />
      <Box
        as="ul"
        listStyleType="none"
        fontSize="13px"
        maxHeight="110px"
        overflowY="auto"
        tabIndex={0}
        aria-label="Events of music, the newest first"
      >
        {heard.events.length === 0 && <li>Press a key that plays a note.</li>}
        {heard.events
          .slice(-SHOWN)
          .reverse()
          .map(({ atMs, words }, nth) => (
            <li key={`${atMs} ${nth}`}>
              <Box as="span" fontFamily="mono">
                {atMs} ms
              </Box>{" "}
              {words}
            </li>
          ))}
      </Box>
    </Section>
  );
}

function channelRows({ channels }: MusicHeard): [string, string][] {
  return Object.entries(channels).map(([channel, { program, bend, controllers }]) => {
    const told = Object.entries(controllers).map(([number, value]) => `${controllerName(Number(number))} ${value}`);
    const set = [
      ...(program > 0 ? [`program ${program + 1}`] : []),
      ...(bend !== 0 ? [`pitch ${bend > 0 ? "+" : ""}${bend}`] : []),
      ...told,
    ];
    return [`Channel ${Number(channel) + 1}`, set.join(", ") || "as usual"];
  });
}
