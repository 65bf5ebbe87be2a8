"use client";

import { useEffect, useState } from "react";
import type { MusicHeard } from "@/core/engine/musicHeard";
import { controllerName, noteName } from "@/core/hid/musicWords";
import { Checkbox } from "@/ui/pieces/fields";
import { Values } from "@/ui/pieces/sheets";
import { EventList } from "./EventList";
import { Hearing } from "./hearing";
import { NoteStrip } from "./NoteStrip";

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
      <EventList label={`${name}, the newest first`} events={heard.events} none="Press a key that plays a note." />
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
