"use client";

import { useSession } from "@/store/session";
import { Section } from "@/ui/pieces/sheets";
import { HeardMusic } from "./HeardMusic";

/** What a program that plays music hears. */
export function MusicView() {
  const heard = useSession((state) => state.heard);
  return (
    <Section title="What the music program hears">
      <HeardMusic heard={heard} name="Events of music" />
    </Section>
  );
}
