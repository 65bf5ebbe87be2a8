"use client";

import { useEffect, useState } from "react";
import { USUAL_TONE_HZ, toneOf } from "@/core/catalogue/kinds/outputs";
import type { Design } from "@/core/document/schema";
import { useSession } from "@/store/session";
import { Checkbox } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";
import { Beeping } from "./beeping";

const hertz = new Intl.NumberFormat("en-GB");

/** Which of the device's own sounders sound, and their tones to hear if one likes. */
export function SoundersView({ design }: { design: Design }) {
  const lit = useSession((state) => state.lit);
  const [beeping, setBeeping] = useState<Beeping | null>(null);
  const sounders = design.controls.filter(({ kind }) => kind === "buzzer");
  useEffect(() => {
    const sounding = sounders.filter(({ id }) => lit.includes(id));
    beeping?.follow(sounding.map((one) => ({ id: one.id, hz: toneOf(one) || USUAL_TONE_HZ })));
  });
  useEffect(() => () => beeping?.close(), [beeping]);
  return (
    <Section title="What the device sounds">
      <Checkbox
        label="Let me hear it"
        checked={beeping !== null}
        onChange={(on) => setBeeping(on ? new Beeping() : null)}
      />
      <Values
        rows={sounders.map((one) => [
          one.label,
          `${lit.includes(one.id) ? "sounds" : "silent"}, ${toneOf(one) > 0 ? `${hertz.format(toneOf(one))} Hz` : "its own tone"}`,
        ])}
      />
    </Section>
  );
}
