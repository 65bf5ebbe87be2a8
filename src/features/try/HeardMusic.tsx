"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { MusicHeard } from "@/core/engine/musicHeard";
import { controllerName, noteName } from "@/core/hid/musicWords";
import { Checkbox } from "@/ui/pieces/fields";
import { Values } from "@/ui/pieces/sheets";
import { Hearing } from "./hearing";
import { NoteStrip } from "./NoteStrip";

const SHOWN = 12;

/** Notes on a strip of keys, what channels are set to, and events as they came. @param more rows of values about them */
export function HeardMusic({ heard, name, more = [] }: { heard: MusicHeard; name: string; more?: [string, string][] }) {
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
    <>
      <Checkbox label="Let me hear it, as plain tones" checked={isLoud} onChange={listen} />
      <NoteStrip sounding={heard.sounding} />
      <Values rows={[["Sounds now", names || "nothing"], ...channelRows(heard), ...more]} />
      <Box
        as="ul"
        listStyleType="none"
        fontSize="13px"
        maxHeight="110px"
        overflowY="auto"
        tabIndex={0}
        aria-label={`${name}, the newest first`}
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
    </>
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
