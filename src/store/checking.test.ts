import { describe, expect, it } from "vitest";
import { newDesign } from "@/core/document/newDesign";
import type { Look } from "@/workers/checking";
import { type Checked, Checking } from "./checking";

const designs = Array.from({ length: 5 }, (_, nth) => newDesign(`d${nth}`, `D${nth}`));

/** A look that ends when the test says so. */
function bench() {
  const looks: { id: string; end: (look: Look) => void; fail: (error: Error) => void }[] = [];
  const told: Checked[] = [];
  const checking = new Checking(
    ({ id }) => new Promise<Look>((end, fail) => looks.push({ id, end, fail })),
    (checked) => told.push(checked),
  );
  const settled = () => new Promise<void>((done) => setTimeout(done));
  return { looks, told, checking, settled };
}

const look = (budget: string): Look => ({ findings: [], budget, currents: "" });

describe("looking a design over aside", () => {
  it("looks at one design at a time, and passes by all but the newest", async () => {
    const { looks, told, checking, settled } = bench();
    for (const design of designs) checking.ask(design);
    expect(looks.map(({ id }) => id)).toEqual(["d0"]);
    looks[0].end(look("first"));
    await settled();
    expect(looks.map(({ id }) => id)).toEqual(["d0", "d4"]);
    looks[1].end(look("last"));
    await settled();
    expect(told.map(({ design, budget }) => [design?.id, budget])).toEqual([
      ["d0", "first"],
      ["d4", "last"],
    ]);
  });

  it("does not look twice at the same state, but at one that comes back", async () => {
    const { looks, checking, settled } = bench();
    checking.ask(designs[0]);
    checking.ask(designs[0]);
    looks[0].end(look(""));
    await settled();
    expect(looks).toHaveLength(1);
    checking.ask(designs[1]);
    checking.ask(designs[0]);
    looks[1].end(look(""));
    await settled();
    expect(looks.map(({ id }) => id)).toEqual(["d0", "d1", "d0"]);
  });

  it("says why a look failed, and takes the next design all the same", async () => {
    const { looks, told, checking, settled } = bench();
    checking.ask(designs[0]);
    checking.ask(designs[1]);
    looks[0].fail(new Error("no room"));
    await settled();
    looks[1].end(look("fine"));
    await settled();
    expect(told.map(({ trouble }) => trouble)).toEqual(["no room", null]);
    expect(told[0].findings).toEqual([]);
  });
});
