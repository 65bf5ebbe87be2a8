import fc from "fast-check";
import type { SimpleBinding } from "@/core/bindings";
import { RAMPS_MS, directions } from "@/core/bindings/pointerMove";
import { hatSides } from "@/core/hid/padShape";
import { systemDeeds } from "@/core/hid/systemUsages";

/** Any binding that moves the pointer, presses its buttons, is the game pad's, plays, or is about the whole computer. */
export const pointingBinding: fc.Arbitrary<SimpleBinding> = fc.oneof(
  fc.record({ does: fc.constant("pointer-button" as const), button: fc.integer({ min: 0, max: 4 }) }),
  fc.record({
    does: fc.constant("pointer-move" as const),
    direction: fc.constantFrom(...directions),
    speed: fc.integer({ min: 10, max: 7999 }),
    rampMs: fc.constantFrom(...RAMPS_MS),
  }),
  fc.record({
    does: fc.constant("pointer-wheel" as const),
    direction: fc.constantFrom(...directions),
    everyMs: fc.integer({ min: 0, max: 5000 }),
  }),
  fc.record({
    does: fc.constant("pointer-place" as const),
    across: fc.integer({ min: 0, max: 1000 }),
    down: fc.integer({ min: 0, max: 1000 }),
  }),
  fc.record({
    does: fc.constant("awake" as const),
    lasting: fc.constantFrom("switched" as const, "held" as const),
    everyS: fc.integer({ min: 1, max: 3600 }),
  }),
  fc.record({ does: fc.constant("pad-button" as const), button: fc.integer({ min: 0, max: 127 }) }),
  fc.record({ does: fc.constant("pad-hat" as const), side: fc.constantFrom(...hatSides) }),
  fc.record({
    does: fc.constant("note" as const),
    note: fc.integer({ min: 0, max: 127 }),
    velocity: fc.integer({ min: 1, max: 127 }),
    channel: fc.integer({ min: 0, max: 15 }),
  }),
  fc.record({
    does: fc.constant("controller" as const),
    controller: fc.integer({ min: 0, max: 119 }),
    value: fc.integer({ min: 1, max: 127 }),
    channel: fc.integer({ min: 0, max: 15 }),
  }),
  fc.record({
    does: fc.constant("program" as const),
    program: fc.integer({ min: 0, max: 127 }),
    channel: fc.integer({ min: 0, max: 15 }),
  }),
  fc.record({ does: fc.constant("system" as const), deed: fc.constantFrom(...systemDeeds) }),
);
