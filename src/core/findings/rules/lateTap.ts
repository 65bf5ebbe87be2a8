import type { TwoJobsBinding } from "../../bindings/twoJobs";
import { bind } from "../../edits/keymap";
import { usEnglish } from "../../languages/usEnglish";
import type { Design } from "../../document/schema";
import type { Rule } from "../finding";

/** Fast typing of prose: so many keystrokes a second (common practice: 75 words of five letters and a space a minute). */
const STROKES_A_SECOND = 7.5;
/** How long a typist holds a key down (common practice). */
const KEY_DOWN_MS = 100;
const NEXT_MS = Math.round(1000 / STROKES_A_SECOND);

const isTyped = ({ tap }: TwoJobsBinding) =>
  tap.does === "keyboard" && tap.modifiers === 0 && (usEnglish.keys.get(tap.usage)?.deeds[0] ?? "").trim() !== "";

/** A letter on a key with two jobs: what it costs in fast typing, and how it may be taken for held. */
export const lateTap: Rule = {
  id: "keymap/late-tap",
  stage: "keymap",
  severity: "note",
  why: "What a key with two jobs does is told when it is let go, or by what comes after it; a plain key tells it at its press.",
  source: "docs/device-behaviour.md; typing rates: common practice",
  check({ keymap: { layers } }, { bindable }) {
    return layers.flatMap((layer) =>
      Object.entries(layer.bindings).flatMap(([inputId, binding]) => {
        if (binding.does !== "two-jobs" || !isTyped(binding)) return [];
        const { school, deadlineMs, quickMs } = binding;
        const isSlow = deadlineMs <= KEY_DOWN_MS;
        const rolls = school === "press" && quickMs < NEXT_MS;
        // In fast typing it counts as tapped at once, and costs nothing.
        if (!isSlow && quickMs >= NEXT_MS) return [];
        const label = bindable.find(({ id }) => id === inputId)?.label ?? inputId;
        const cost = `${label} types about ${KEY_DOWN_MS} ms later than a plain key`;
        const risk = isSlow
          ? `; held for ${KEY_DOWN_MS} ms, as typists do, it counts as held after ${deadlineMs} ms`
          : rolls
            ? `; rolled onto the next key it counts as held`
            : "";
        return [
          {
            severity: isSlow || rolls ? ("warn" as const) : ("note" as const),
            message: `${cost}${risk}. Typing ${STROKES_A_SECOND} keys a second, the next one comes after ${NEXT_MS} ms.`,
            subjects: [{ kind: "input" as const, id: inputId }],
            fixes: [
              {
                title: `Count it as tapped within ${NEXT_MS + 17} ms of another key`,
                apply: (d: Design) =>
                  bind(d, layer.id, inputId, {
                    ...binding,
                    quickMs: NEXT_MS + 17,
                    deadlineMs: Math.max(deadlineMs, 2 * KEY_DOWN_MS),
                  }),
              },
            ],
          },
        ];
      }),
    );
  },
};
