"use client";

import type { KeyboardBinding } from "@/core/bindings/keyboardUsage";
import type { Design } from "@/core/document/schema";
import { keyboardUsage, keyboardUsageNamed, modifierNames } from "@/core/hid/keyboardUsages";
import type { HostLanguage } from "@/core/languages/hostLanguage";
import { deadKeyOf, deedOf } from "@/core/languages/hostLanguage";
import { Values } from "@/ui/pieces/sheets";
import { useHostLanguage } from "@/ui/useHostLanguage";

const SIGNS: Record<string, string> = { "\n": "a new line", "\t": "a tab", " ": "a space" };

/** What a computer of a language makes of a key. */
function madeOf(language: HostLanguage, { usage, modifiers }: KeyboardBinding): string {
  const deed = deedOf(language, usage, modifiers);
  if (deed === undefined) return "types nothing";
  if (deed === "") return "nothing on this level";
  const accent = deadKeyOf(deed);
  return accent === null ? (SIGNS[deed] ?? deed) : `the accent ${accent}, for the next letter`;
}

interface ThreeThingsProps {
  design: Design;
  job: KeyboardBinding;
  cap: string;
}

/** What a cap shows, what its key sends, and what the computer makes of that are three things. */
export function ThreeThings({ design, job, cap }: ThreeThingsProps) {
  const { hostLanguage } = design.keymap;
  const language = useHostLanguage(hostLanguage);
  const code = keyboardUsage(job.usage)?.code;
  const sends = [...modifierNames(job.modifiers), keyboardUsageNamed(job.usage)].join(" + ");
  return (
    <Values
      rows={[
        ["Cap shows", cap || "nothing"],
        ["Key sends", code && code !== sends ? `${sends} (${code})` : sends],
        ["Computer makes of it", language ? madeOf(language, job) : "…"],
      ]}
    />
  );
}
