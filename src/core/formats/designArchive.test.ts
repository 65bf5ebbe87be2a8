import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { noteRevision, writeEntry } from "../edits/journal";
import { type Attached, pictureType } from "../journal/attached";
import type { PracticeRun } from "../practice/run";
import { designArchive } from "./designArchive";
import { designText } from "./designJson";
import { readArchive } from "./readArchive";

const jpeg = (length: number) => Uint8Array.from({ length }, (_, nth) => [0xff, 0xd8, 0xff][nth] ?? (nth * 7) % 256);
const at = "2026-03-01T10:00:00Z";

const base = finishedPad();
const withPhotos = writeEntry(base, { id: "seen", at, kind: "note", text: "", photos: ["front", "__proto__"] });
const design = noteRevision(withPhotos, { id: "first", at, text: "Revision 1" });
const run: PracticeRun = {
  id: "r1",
  at,
  sort: "press",
  seconds: 12,
  of: { "base k1": { tries: 3, errors: 1, rightMs: 900 } },
};
const attached: Attached = {
  photos: [
    { id: "front", mediaType: "image/jpeg", bytes: jpeg(5000) },
    { id: "__proto__", mediaType: "image/jpeg", bytes: jpeg(40) },
  ],
  revisions: [{ id: "first", design: base }],
  runs: [run],
};

async function archive(beside: Attached = attached): Promise<Uint8Array> {
  const made = await designArchive.make(design, beside);
  if (!made.ok) throw new Error("not made");
  return made.value.bytes;
}

/** The archive with files put in or left out. */
const changed = async (change: (files: Record<string, Uint8Array>) => void) => {
  const files = unzipSync(await archive());
  change(files);
  return readArchive(zipSync(files));
};

const value = (read: ReturnType<typeof readArchive>) => {
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
};

describe("a design with its record", () => {
  it("comes back whole, byte for byte", async () => {
    const read = value(readArchive(await archive()));
    expect(read.design).toEqual(design);
    expect(read.attached.photos).toEqual(attached.photos);
    expect(read.attached.revisions).toEqual(attached.revisions);
    expect(read.attached.runs).toEqual([run]);
    expect(read.left).toEqual([]);
  });

  it("comes back for every demo without anything beside it", async () => {
    for (const demo of demoDesigns) {
      const made = await designArchive.make(demo);
      if (!made.ok) throw new Error("not made");
      expect(value(readArchive(made.value.bytes)).design).toEqual(demo);
    }
  });

  it("tells what the journal speaks of and the archive does not have", async () => {
    const read = value(readArchive(await archive({ photos: [], revisions: [], runs: [] })));
    expect(read.left.map(({ message }) => message)).toEqual([
      "2 of the journal's are not in the archive",
      "1 of the journal's are not in the archive",
    ]);
  });

  it("leaves out what is no picture, no design, no practice, or nobody's, and says so", async () => {
    const read = value(
      await changed((files) => {
        files["photos/front.jpg"] = strToU8("<svg onload=alert(1)>");
        files["photos/stranger.jpg"] = jpeg(20);
        files["revisions/first.json"] = strToU8("{}");
        files["revisions/other.json"] = strToU8(designText(base));
        files["practice.json"] = strToU8('[{"id":"x"}]');
        files["../../evil.txt"] = strToU8("x");
      }),
    );
    expect(read.attached.photos.map(({ id }) => id)).toEqual(["__proto__"]);
    expect(read.attached.revisions).toEqual([]);
    expect(read.attached.runs).toEqual([]);
    expect(read.left.map(({ path }) => path).sort()).toEqual(
      [
        "photos",
        "photos/front.jpg",
        "photos/stranger.jpg",
        "practice.json",
        "revisions",
        "revisions/first.json",
        "revisions/other.json",
      ].sort(),
    );
  });

  it("is refused without a design, or with a broken one, and says where", async () => {
    const none = await changed((files) => delete files["design.ovrin.json"]);
    expect(none).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringMatching(/has no design\.ovrin\.json/) }],
    });
    const broken = await changed((files) => (files["design.ovrin.json"] = strToU8('{"format":')));
    expect(broken).toMatchObject({ ok: false });
  });

  it("that is cut short or changed by chance never throws", async () => {
    const whole = await archive();
    fc.assert(
      fc.property(fc.nat(whole.length - 1), fc.nat(255), fc.boolean(), (place, byte, isCut) => {
        const bytes = isCut ? whole.slice(0, place) : Uint8Array.from(whole);
        if (!isCut) bytes[place] = byte;
        const read = readArchive(bytes);
        if (read.ok) expect(read.value.design.controls.length).toBeGreaterThanOrEqual(0);
        else expect(read.problems[0].message).toMatch(/\w/);
      }),
      { numRuns: 150 },
    );
  });

  it("does not unpack what is far too large", () => {
    const bomb = zipSync({
      "design.ovrin.json": new Uint8Array(8 * 1024 * 1024),
      "photos/a.jpg": jpeg(9 * 1024 * 1024),
    });
    expect(readArchive(bomb)).toMatchObject({ ok: false });
  });
});

describe("a photo that is far too large", () => {
  it("is left out, the rest is taken", async () => {
    const read = value(await changed((files) => (files["photos/front.jpg"] = jpeg(9 * 1024 * 1024))));
    expect(read.attached.photos.map(({ id }) => id)).toEqual(["__proto__"]);
    expect(read.left).toMatchObject([{ path: "photos" }]);
  });
});

describe("pictures", () => {
  it("are told by their first bytes, not by their name", () => {
    expect(pictureType(jpeg(3))).toBe("image/jpeg");
    expect(pictureType(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))).toBe("image/png");
    expect(pictureType(strToU8("RIFF\0\0\0\0WEBP"))).toBe("image/webp");
    expect(pictureType(strToU8("GIF89a"))).toBeNull();
    expect(pictureType(new Uint8Array())).toBeNull();
  });
});
