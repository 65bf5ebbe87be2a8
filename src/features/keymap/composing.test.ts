import { describe, expect, it } from "vitest";
import { type Binding, bindingSchema } from "@/core/bindings";
import { composed, compositionOf, compositions, withJob } from "./composing";

const a: Binding = { does: "keyboard", usage: 4, modifiers: 0 };
const b = { does: "keyboard", usage: 5, modifiers: 0 } as const;

describe("what an input does, composed otherwise", () => {
  it.each(compositions)("is a binding of its own, from nothing and from one thing: %s", (how) => {
    for (const from of [undefined, a]) {
      const made = composed(from, how);
      expect(bindingSchema.safeParse(made).success).toBe(true);
      expect(compositionOf(made)).toBe(how);
    }
  });

  it("keeps what a tap does, there and back", () => {
    const held = withJob(composed(a, "two-jobs"), 1, b);
    expect(held).toMatchObject({ tap: a, hold: b });
    expect(composed(held, "second-tap")).toMatchObject({ once: a, twice: b });
    expect(composed(held, "one")).toEqual(a);
  });

  it("changes the one that is meant", () => {
    expect(withJob(composed(a, "second-tap"), 0, b)).toMatchObject({ once: b, twice: { does: "nothing" } });
    expect(withJob(undefined, 0, b)).toEqual(b);
  });
});
