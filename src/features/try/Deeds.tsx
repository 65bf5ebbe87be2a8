"use client";

import { useSession } from "@/store/session";
import { EventList } from "./EventList";

/** What the computer was told beside typing, the newest first. */
export function Deeds() {
  const deeds = useSession((state) => state.deeds);
  const events = deeds.map(({ atMs, deed }) => ({ atMs, words: deed }));
  return <EventList label="Other things the computer was told" events={events} />;
}
