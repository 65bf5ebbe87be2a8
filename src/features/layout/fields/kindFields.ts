import { lampColours } from "@/core/catalogue/lampColours";
import type { Control } from "@/core/catalogue/kinds";
import { USUAL_TONE_HZ } from "@/core/catalogue/kinds/outputs";

interface Named {
  key: string;
  label: string;
}

interface NumberSpec extends Named {
  sort: "number" | "whole";
  unit: string;
  /** Shown while the control says nothing; 0 for none, which clears it again. */
  otherwise?: number;
}

/** One field of a kind: a number with its unit (its limits are the schema's), a choice, or a yes or no. */
export type FieldSpec =
  | NumberSpec
  | (Named & { sort: "choice"; choices: { value: string; label: string }[]; numeric?: boolean })
  | (Named & { sort: "tick" });

const number = (key: string, label: string, unit: string): FieldSpec => ({ key, label, unit, sort: "number" });
const orElse = (key: string, label: string, unit: string, otherwise: number): FieldSpec => ({
  key,
  label,
  unit,
  sort: "number",
  otherwise,
});
const count = (key: string, label: string): FieldSpec => ({ key, label, unit: "", sort: "whole" });
const tick = (key: string, label: string): FieldSpec => ({ key, label, sort: "tick" });
const pick = (key: string, label: string, values: [value: string, label: string][], numeric = false): FieldSpec => ({
  key,
  label,
  sort: "choice",
  numeric,
  choices: values.map(([value, words]) => ({ value, label: words })),
});

const turning = [
  count("stepsPerTurn", "Steps a turn"),
  pick(
    "statesPerStep",
    "Quadrature states a step",
    [
      ["4", "4 (rests with both open)"],
      ["2", "2"],
      ["1", "1"],
    ],
    true,
  ),
  tick("push", "Has a push switch"),
];

/** The tray's fields of each kind, one line each. The key has a sheet of its own besides. */
const fields: Record<Control["kind"], FieldSpec[]> = {
  key: [],
  toggle: [
    pick(
      "positions",
      "Positions",
      [
        ["2", "2: off and on"],
        ["3", "3: on, middle, on"],
      ],
      true,
    ),
    tick("momentary", "Springs back"),
    pick("tells", "One that stays tells", [
      ["change", "each flip, by a short press"],
      ["state", "its state, held while on"],
    ]),
  ],
  encoder: [number("knobDiameterMm", "Knob ⌀", "mm"), ...turning],
  concentric: [number("knobDiameterMm", "Outer knob ⌀", "mm"), ...turning],
  stick: [
    pick(
      "axes",
      "Axes",
      [
        ["2", "2"],
        ["3", "3: the handle turns"],
      ],
      true,
    ),
    tick("push", "Has a push switch"),
    orElse("trackOhm", "Track, end to end", "Ω", 10_000),
  ],
  pot: [
    pick("motion", "Motion", [
      ["turn", "Turned"],
      ["slide", "Slid"],
    ]),
    number("travel", "Travel, in ° or mm", ""),
    orElse("trackOhm", "Track, end to end", "Ω", 10_000),
  ],
  "five-way": [],
  "ladder-pad": [number("widthMm", "Width", "mm"), number("heightMm", "Height", "mm")],
  lamp: [
    number("diameterMm", "Lamp ⌀", "mm"),
    number("currentMa", "Current", "mA"),
    pick(
      "colour",
      "Colour",
      lampColours.map((colour) => [colour, colour]),
    ),
  ],
  light: [number("currentMa", "Current at full white", "mA")],
  segments: [count("digits", "Digits"), number("currentMa", "All segments lit", "mA")],
  display: [
    count("widthPx", "Dots across"),
    count("heightPx", "Dots down"),
    count("bitsPerPx", "Bits a dot"),
    number("currentMa", "All dots lit", "mA"),
    orElse("pullUpOhm", "Own pull-ups, 0: none", "Ω", 0),
  ],
  "pad-port": [],
  "music-socket": [],
  radio: [
    number("currentMa", "While it sends", "mA"),
    pick(
      "spiMode",
      "Serial bus mode",
      [
        ["0", "0: rests low, first edge"],
        ["1", "1: rests low, second edge"],
        ["2", "2: rests high, first edge"],
        ["3", "3: rests high, second edge"],
      ],
      true,
    ),
  ],
  buzzer: [
    number("currentMa", "Current", "mA"),
    { key: "toneHz", label: "Tone", unit: "Hz", sort: "whole", otherwise: USUAL_TONE_HZ },
    tick("ownTone", "Sounds by itself when powered"),
  ],
  motor: [number("currentMa", "Current", "mA")],
  fixing: [tick("carries", "Carries the plate")],
};

export const fieldsOf = (kind: Control["kind"]): FieldSpec[] => fields[kind];
