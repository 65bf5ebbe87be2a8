import { consumerUsages } from "./consumerUsages";
import { keyboardUsages } from "./keyboardUsages";
import type { UsageHit } from "./searchUsages";

type Usage = Pick<UsageHit, "page" | "usage">;

/** What people write on caps beside the names of the usage tables (common practice), by keyboard usage. */
const ON_CAPS: Record<string, number> = {
  esc: 0x29,
  enter: 0x28,
  return: 0x28,
  backspace: 0x2a,
  back: 0x2a,
  space: 0x2c,
  caps: 0x39,
  del: 0x4c,
  delete: 0x4c,
  ins: 0x49,
  pgup: 0x4b,
  pgdn: 0x4e,
  up: 0x52,
  down: 0x51,
  left: 0x50,
  right: 0x4f,
  grave: 0x35,
  semi: 0x33,
  ctrl: 0xe0,
  control: 0xe0,
  shift: 0xe1,
  alt: 0xe2,
  "ctrl l": 0xe0,
  "shift l": 0xe1,
  "alt l": 0xe2,
  "ctrl r": 0xe4,
  "shift r": 0xe5,
  "alt r": 0xe6,
};
const ON_KNOBS: Record<string, number> = {
  mute: 0xe2,
  play: 0xcd,
  louder: 0xe9,
  quieter: 0xea,
  next: 0xb5,
  previous: 0xb6,
  stop: 0xb7,
};

const tidy = (words: string) => words.trim().toLowerCase().replace(/\s+/g, " ");

const byLabel = new Map<string, Usage>();
const keep = (label: string, usage: Usage) => {
  if (label !== "" && !byLabel.has(label)) byLabel.set(label, usage);
};
for (const [label, usage] of Object.entries(ON_CAPS)) keep(label, { page: "keyboard", usage });
for (const { usage, name, code, types } of keyboardUsages)
  for (const label of [types?.[0] ?? "", name, code, ...name.split(" and ").slice(0, 1)])
    keep(tidy(label), { page: "keyboard", usage });
for (const [label, usage] of Object.entries(ON_KNOBS)) keep(label, { page: "consumer", usage });
for (const { usage, name } of consumerUsages) keep(tidy(name), { page: "consumer", usage });

/** The usage that a label on a cap means; null when it means none: "K1", "Blind 3". */
export const usageOfLabel = (label: string): Usage | null => byLabel.get(tidy(label)) ?? null;
