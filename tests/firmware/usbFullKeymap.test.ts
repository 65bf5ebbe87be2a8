import { expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { addTogether } from "@/core/edits/keyRules";
import { bind } from "@/core/edits/keymap";
import { togetherInput } from "@/core/document/keyRules";
import { firstDifference } from "./firstDifference";
import { play, workFolder } from "./builds";
import { keyboard64 } from "./keyboard64";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles, lateOn, manyAtOnce, recordContacts, toldOf } from "./usbChip";

const AT_ONCE = 20;
const CYCLES_A_MS = 16_000;

/** 64 keys on 8 layers, 16 sets of keys together, and a macro on the last key that types while others are pressed. */
function fullKeymap(): Design {
  const plain = keyboard64(8);
  const grouped = Array.from({ length: 16 }, (_, nth) => nth).reduce((design, nth) => {
    const parts = [`k${2 * nth + 1}:press`, `k${2 * nth + 2}:press`];
    const together = addTogether(design, `set${nth}`, parts);
    return bind(together, "base", togetherInput(`set${nth}`), {
      does: "keyboard",
      usage: 0x3a + (nth % 12),
      modifiers: 1,
    });
  }, plain);
  const macros: Design["keymap"]["macros"] = [
    {
      id: "typing",
      name: "Typing",
      plays: { how: "while-held" },
      endsOnPress: false,
      steps: [{ step: "text", text: "The quick brown fox. " }],
    },
  ];
  const withMacro = { ...grouped, keymap: { ...grouped.keymap, macros } };
  return onSmallClass(bind(withMacro, "base", "k64:press", { does: "macro", macroId: "typing" }));
}

it("scans 64 keys on 8 layers with 16 sets of keys together and a macro that plays, 20 changing at once, within a millisecond", () => {
  const design = fullKeymap();
  const many = manyAtOnce(design, AT_ONCE);
  // The macro's key goes down first and stays, so that it types all the while.
  const use = { ...many, events: [{ atMs: 1, control: "k64", action: "press" as const }, ...many.events] };
  const run = play(buildUsbHost(workFolder()), imageFiles(design, workFolder()), recordContacts(design, use).script);
  const events = [...use.events, ...(lateOn(run.notes).get(0) ?? [])].sort((a, b) => a.atMs - b.atMs);
  expect(firstDifference(run.output, recordContacts(design, { ...use, events }).expected)).toBeNull();
  const most = toldOf(run.notes, "most");
  console.log(`64 keys, 8 layers, 16 sets, a macro: at most ${most} cycles a scan`);
  expect(most).toBeLessThan(CYCLES_A_MS);
  expect(run.output.split("\n").length).toBeGreaterThan(100);
});
