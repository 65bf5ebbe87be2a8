import type { Control } from "@/core/catalogue/kinds";

interface Named {
  key: string;
  label: string;
}

interface NumberSpec extends Named {
  sort: "number" | "whole";
  unit: string;
  min: number;
  max: number;
}

/** One field of a kind: a number with its unit and limits, a choice, or a yes or no. */
export type FieldSpec =
  | NumberSpec
  | (Named & { sort: "choice"; choices: { value: string; label: string }[]; numeric?: boolean })
  | (Named & { sort: "tick" });

const number = (key: string, label: string, unit: string, min: number, max: number): FieldSpec => ({
  key,
  label,
  unit,
  min,
  max,
  sort: "number",
});
const count = (key: string, label: string, min: number, max: number): FieldSpec => ({
  key,
  label,
  unit: "",
  min,
  max,
  sort: "whole",
});
const tick = (key: string, label: string): FieldSpec => ({ key, label, sort: "tick" });
const pick = (key: string, label: string, values: [value: string, label: string][], numeric = false): FieldSpec => ({
  key,
  label,
  sort: "choice",
  numeric,
  choices: values.map(([value, words]) => ({ value, label: words })),
});

const turning = [
  count("stepsPerTurn", "Steps a turn", 1, 200),
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
  ],
  encoder: [number("knobDiameterMm", "Knob ⌀", "mm", 5, 80), ...turning],
  concentric: [number("knobDiameterMm", "Outer knob ⌀", "mm", 8, 80), ...turning],
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
  ],
  pot: [
    pick("motion", "Motion", [
      ["turn", "Turned"],
      ["slide", "Slid"],
    ]),
    number("travel", "Travel, in ° or mm", "", 1, 3600),
  ],
  "five-way": [],
  "ladder-pad": [number("widthMm", "Width", "mm", 3, 80), number("heightMm", "Height", "mm", 3, 80)],
  lamp: [number("diameterMm", "Lamp ⌀", "mm", 1, 30), number("currentMa", "Current", "mA", 0.1, 50)],
  light: [number("currentMa", "Current at full white", "mA", 1, 100)],
  segments: [count("digits", "Digits", 1, 16)],
  display: [
    count("widthPx", "Dots across", 8, 1024),
    count("heightPx", "Dots down", 8, 1024),
    count("bitsPerPx", "Bits a dot", 1, 24),
  ],
  radio: [],
  buzzer: [number("currentMa", "Current", "mA", 0.5, 200)],
  motor: [number("currentMa", "Current", "mA", 5, 2000)],
  fixing: [tick("carries", "Carries the plate")],
};

export const fieldsOf = (kind: Control["kind"]): FieldSpec[] => fields[kind];
