import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import type { Design } from "../document/schema";
import { shiftControls } from "../edits/controls";
import { acceptFinding, frozenOf, noteRevision, writeEntry } from "../edits/journal";
import { findingsOf } from "../findings/check";
import type { Attached } from "../journal/attached";
import { wiresOf } from "../wires/wires";
import { artifactNamed } from "./registry";

const at = "2026-03-01T10:00:00Z";

async function book(design: Design, attached?: Attached): Promise<string> {
  const made = await artifactNamed("build-book")!.make(design, attached);
  if (!made.ok) throw new Error("not made");
  return Buffer.from(made.value.bytes).toString("utf8");
}

const chapters = (html: string) => [...html.matchAll(/<h2 [^>]*>\d+\. ([^<]+)<\/h2>/g)].map(([, title]) => title);

describe("the build book", () => {
  it("has every chapter that there is something for, numbered as in its contents, for every demo", async () => {
    for (const design of shelfDesigns) {
      const html = await book(design);
      const titles = chapters(html);
      expect(titles.slice(0, 2)).toEqual(["The device", "Wiring"]);
      expect(titles.includes("Journal")).toBe(design.journal.length > 0);
      titles.forEach((title, nth) => expect(html).toContain(`<a href="#c${nth + 1}">${nth + 1}. ${title}</a>`));
      expect(html).toContain(`${wiresOf(design).length} wires`);
      for (const { label } of design.controls) expect(html).toContain(label.replace(/&/g, "&amp;"));
      expect(html).not.toMatch(/undefined|NaN|\[object/);
    }
  });

  it("tells which findings were left and why, and which are open", async () => {
    const kestrel = shelfDesigns.find(({ id }) => id === "kestrel")!;
    const [note] = findingsOf(kestrel);
    const left = acceptFinding(kestrel, note, { id: "why", at, text: "unplugged at dawn" });
    const html = await book(left);
    expect(html).toContain("Left as they are, and why");
    expect(html).toContain("unplugged at dawn");
    expect(await book(kestrel)).not.toContain("Left as they are, and why");
  });

  it("shows photos in it, what changed after each revision, and says where a frozen one is missing", async () => {
    const pad = finishedPad();
    const noted = noteRevision(
      writeEntry(pad, { id: "seen", at, kind: "note", text: "Look.", photos: ["front", "gone"], parts: ["k1"] }),
      { id: "first", at: "2026-03-02T10:00:00Z", text: "First" },
    );
    const moved = shiftControls(noted, ["k1"], 0, -5);
    const photo = { id: "front", mediaType: "image/jpeg", bytes: Uint8Array.of(0xff, 0xd8, 0xff, 0) };
    const html = await book(moved, { photos: [photo], revisions: [{ id: "first", design: frozenOf(pad) }], runs: [] });
    expect(html.match(/<img /g)).toHaveLength(1);
    expect(html).toContain('src="data:image/jpeg;base64,/9j/AA=="');
    expect(html).toContain(`First, frozen 2026-03-02`);
    expect(html).toMatch(new RegExp(`<li>${pad.controls[0].label}[^<]*5`));
    expect(await book(moved)).toContain("does not lie beside this one");
  });

  it("tells of a regret that it is mended", async () => {
    const pad = finishedPad();
    const regret = { id: "far", at, kind: "regret" as const, text: "Too far." };
    expect(await book(writeEntry(pad, regret))).not.toContain("(mended)");
    expect(await book(writeEntry(pad, { ...regret, isDone: true }))).toContain("(mended)");
  });

  it("shows hostile text as text", async () => {
    const evil = '<img src=x onerror="alert(1)">&amp;';
    const pad = finishedPad();
    const design: Design = writeEntry(
      { ...pad, name: evil, note: evil, controls: pad.controls.map((one) => ({ ...one, label: evil.slice(0, 40) })) },
      { id: "e", at, kind: "regret", text: evil, parts: ["k1"] },
    );
    const html = await book(noteRevision(design, { id: "r", at, text: evil }));
    expect(html).not.toContain("<img");
    expect(html).toContain("&lt;img src=x");
  });
});
