import { type Locator, type Page, expect, test } from "@playwright/test";
import { testKeymapOf } from "@/core/bringup/testKeymap";
import { type TrialDeed, usualEfforts } from "@/core/bringup/trial";
import { modelOf } from "@/core/bringup/model";
import { bringUpView } from "@/core/bringup/view";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import type { SimulationEvent } from "@/core/engine/simulate";
import { usagesIn } from "@/core/hid/everyKey";
import { keyboardUsage } from "@/core/hid/keyboardUsages";
import { StandInLoader } from "@/core/loader/standInLoader";
import { play, workFolder } from "../firmware/builds";
import { buildUsbHost, flashFiles, later, recordOnChip } from "../firmware/usbChip";
import { goTo, mat, openOwn, saved, stage, tray } from "./bench";
import { plugIn } from "./standInPort";

const inHand = (page: Page): Locator => tray(page).getByRole("status", { name: "Test in hand" });
const found = (page: Page): Locator => tray(page).getByRole("status", { name: "Fault found" });
const suspects = (page: Page): Locator => tray(page).getByRole("list", { name: "Suspects" });

/** A stand-in with a fault that is chosen by its words. */
async function takeStandIn(page: Page, words: string): Promise<void> {
  await expect(inHand(page)).toBeVisible();
  await tray(page).getByRole("button", { name: "Stand-in, I choose" }).click();
  await tray(page).getByRole("combobox", { name: "Fault" }).selectOption({ label: words });
  await expect(tray(page).getByText("The stand-in, with the fault chosen.")).toBeVisible();
}

/** Has the stand-in do tests, by keyboard, until one of these is there. @returns how many it did */
async function testUntil(page: Page, end: Locator, most: number): Promise<number> {
  for (let made = 0; made < most; made++) {
    if (await end.isVisible()) return made;
    const before = await inHand(page).textContent();
    await page.keyboard.press("t");
    await expect(async () => {
      // The card goes away when the fault is found: its text is not waited for.
      const texts = await inHand(page).allTextContents();
      expect((await end.isVisible()) || (texts.length > 0 && texts[0] !== before)).toBe(true);
    }).toPass();
  }
  await expect(end).toBeVisible();
  return most;
}

/** Answers so many tests by hand: all came as they should. */
async function asItShould(page: Page, count: number): Promise<void> {
  for (let nth = 0; nth < count; nth++) {
    const before = (await inHand(page).textContent())!;
    await page.keyboard.press("1");
    await expect(inHand(page)).not.toHaveText(before);
  }
}

test("a cold joint of Loom 64 is found by bending, mended on the solder side, and tested again", async ({ page }) => {
  await page.goto("/bench/loom-64/bring-up");
  await takeStandIn(page, "the joint of C5 at R is cold");
  await tray(page).getByRole("button", { name: "Something is wrong: find it" }).click();
  await expect(tray(page).getByRole("region", { name: "Suspects" })).toBeVisible();
  const made = await testUntil(page, found(page), 40);
  // Every key tells itself: only bending shows it, and no test tells the joints of one key apart.
  expect(made).toBeLessThan(20);
  const repair = tray(page).getByRole("region", { name: "Repair" });
  await expect(repair.getByText("the joint of C5 at R is cold")).toBeVisible();
  await expect(found(page)).toHaveText("One of 3, which no test tells apart:");
  await expect(repair.getByText(/give off fumes: ventilate/)).toBeVisible();
  await expect(mat(page)).toHaveAttribute("aria-label", /solder side$/);
  await saved(page);
  await page.reload();
  await expect(repair.getByText("the joint of C5 at R is cold")).toBeVisible();
  const table = page.getByRole("table", { name: "Tests made" });
  await expect(table.getByRole("row", { name: /R comes and goes/ })).toBeVisible();
  // After a reload the device is the one in the hand again: it is mended, and tested by hand.
  await repair.getByRole("button", { name: "Repaired, test again" }).click();
  await expect(inHand(page)).toHaveText(/bend the board/);
  await page.keyboard.press("1");
  await expect(inHand(page)).not.toHaveText(/bend the board/);
  await expect(page.getByRole("table", { name: "Repairs" })).toContainText("the joint of C5 at R is cold");
  await expect(stage(page, "Bring-up")).toContainText(/\d+ tested/);
});

test("rows 2 and 3 of Loom 64 are swapped: named after a handful of tests", async ({ page }) => {
  await page.goto("/bench/loom-64/bring-up");
  await takeStandIn(page, "R2 and R3 are swapped at the controller");
  // By the plan, until the first sweep shows it; then by what tells most.
  const made = await testUntil(page, found(page), 15);
  expect(made).toBeLessThan(12);
  await expect(found(page)).toHaveText("R2 and R3 are swapped at the controller.");
  await expect(tray(page).getByText("Change R2 and R3 at the controller")).toBeVisible();
  await tray(page).getByRole("button", { name: "Repaired, test again" }).click();
  // Mended: what showed it and what the repair may have touched comes as it should.
  const table = page.getByRole("table", { name: "Tests made" });
  const rows = await table.getByRole("row").count();
  for (let again = 1; again <= 4; again++) {
    await page.keyboard.press("t");
    await expect(table.getByRole("row")).toHaveCount(rows + again);
    await expect(suspects(page)).toHaveCount(0);
  }
});

test("answers by hand: suspects with what speaks for them, a wrong one is taken back, nothing fits, pairs", async ({
  page,
}) => {
  await page.goto("/bench/tern/bring-up");
  await expect(inHand(page)).toHaveText(/^Before any plug: measure/);
  await asItShould(page, 4);
  await expect(inHand(page)).toHaveText(/^Sweep/);
  await tray(page)
    .getByRole("button", { name: /^2 .* tells nothing$/ })
    .click();
  await expect(tray(page).getByRole("region", { name: "Suspects" })).toBeVisible();
  await expect(suspects(page).getByText("1 for, 0 against").first()).toBeVisible();
  await expect(tray(page).getByText(/^Should come: .* Worth \d\.\d bit for an effort of \d\.$/)).toBeVisible();
  // Something that no fault foretells: said, with pairs on demand, and taken back.
  await page.keyboard.press("0");
  await expect(inHand(page)).toHaveText(
    "No single fault explains all of this: one answer is wrong, or two things are.",
  );
  await tray(page).getByRole("button", { name: "Look for two faults at once" }).click();
  await expect(tray(page).getByText(/No pair explains it either\./)).toBeVisible({ timeout: 60_000 });
  await tray(page).getByRole("button", { name: "Take the last answer back" }).click();
  await expect(tray(page).getByText(/still possible$/)).toBeVisible();
  // One step of the history each, across stages.
  await page.keyboard.press("Control+z");
  await expect(inHand(page)).toHaveText(
    "No single fault explains all of this: one answer is wrong, or two things are.",
  );
});

test("efforts are the person's own and are kept; one that cannot be is refused", async ({ page }) => {
  await page.goto("/bench/tern/bring-up");
  await expect(inHand(page)).toBeVisible();
  const meter = tray(page).getByRole("textbox", { name: /^A meter/ });
  await meter.fill("900");
  await page.keyboard.press("Enter");
  await expect(tray(page).getByText(/100/)).toBeVisible();
  await meter.fill("2");
  await page.keyboard.press("Enter");
  await saved(page);
  await page.reload();
  await expect(meter).toHaveValue("2");
});

test("a device on the cable is heard: what it types answers a sweep, and a key that is silent is found", async ({
  page,
}) => {
  await page.goto("/");
  const tern = (await (await page.request.get("/api/demos/tern")).json()) as Design;
  // Every button types a letter of its own.
  tern.controls.forEach(({ id, kind }, nth) => {
    if (kind === "key")
      tern.keymap.layers[0].bindings[`${id}:press`] = { does: "keyboard", usage: 4 + nth, modifiers: 0 };
  });
  tern.reportSet.interfaces = ["keyboard"];
  await openOwn(page, { ...tern, id: "lettered", name: "Lettered" }, "Bring-up");
  await expect(inHand(page)).toBeVisible();
  await asItShould(page, 4);
  await expect(inHand(page)).toHaveText(/^Sweep/);
  await tray(page)
    .getByRole("checkbox", { name: /^Listen to what it types/ })
    .check();
  const heard = tray(page).getByRole("status", { name: "Heard" });
  await expect(heard).toHaveText("Listening: do it now.");
  await page.keyboard.press("KeyB");
  await expect(heard).toHaveText(/^Heard: \S+$/);
  await tray(page).getByRole("button", { name: "Begin again" }).click();
  await expect(heard).toHaveText("Listening: do it now.");
  const letters = tern.controls.flatMap(({ kind }, nth) => (kind === "key" ? [String.fromCharCode(65 + nth)] : []));
  const silent = tern.controls.find(({ kind }, nth) => kind === "key" && nth > 2)!;
  for (const letter of letters)
    if (letter !== String.fromCharCode(65 + tern.controls.indexOf(silent))) await page.keyboard.press(`Key${letter}`);
  await tray(page).getByRole("button", { name: "That was all" }).click();
  await expect(suspects(page)).toBeVisible();
  await expect(page.getByRole("table", { name: "Tests made" })).toContainText(`${silent.label} tells nothing`);
});

/** A game pad and an instrument of the browser's own method names, played from the test. */
async function plugInEars(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const buttons = Array.from({ length: 32 }, () => ({ pressed: false, touched: false, value: 0 }));
    const input = { onmidimessage: null as ((event: { data: Uint8Array }) => void) | null };
    Object.defineProperty(navigator, "getGamepads", { value: () => [{ connected: true, axes: [], buttons }] });
    Object.defineProperty(navigator, "requestMIDIAccess", { value: async () => ({ inputs: [input] }) });
    Object.assign(window, {
      pressButton: (nth: number, isDown: boolean) => (buttons[nth].pressed = isDown),
      playNote: (note: number) => input.onmidimessage?.({ data: Uint8Array.of(0x90, note, 96) }),
      hasEar: () => input.onmidimessage !== null,
    });
  });
}

test("a game pad's buttons and an instrument's notes are heard like keys", async ({ page }) => {
  await plugInEars(page);
  await page.goto("/");
  const tern = (await (await page.request.get("/api/demos/tern")).json()) as Design;
  const keys = tern.controls.filter(({ kind }) => kind === "key");
  // The first half are buttons of a game pad, the others notes.
  keys.forEach(({ id }, nth) => {
    tern.keymap.layers[0].bindings[`${id}:press`] =
      nth < keys.length / 2
        ? { does: "pad-button", button: nth }
        : { does: "note", note: 40 + nth, velocity: 96, channel: 0 };
  });
  tern.reportSet.interfaces = ["pad", "music"];
  await openOwn(page, { ...tern, id: "mixed", name: "Mixed" }, "Bring-up");
  await expect(inHand(page)).toBeVisible();
  await asItShould(page, 4);
  await tray(page)
    .getByRole("checkbox", { name: /^Listen to what it types/ })
    .check();
  const heard = tray(page).getByRole("status", { name: "Heard" });
  await expect(heard).toHaveText("Listening: do it now.");
  type Played = {
    pressButton(nth: number, isDown: boolean): void;
    playNote(note: number): void;
    hasEar(): boolean;
  };
  await expect.poll(() => page.evaluate(() => (window as unknown as Played).hasEar())).toBe(true);
  for (let nth = 0; nth < keys.length; nth++) {
    const names = keys.slice(0, nth + 1).map(({ label }) => label);
    if (nth < keys.length / 2) await page.evaluate((n) => (window as unknown as Played).pressButton(n, true), nth);
    else await page.evaluate((n) => (window as unknown as Played).playNote(40 + n), nth);
    await expect(heard).toHaveText(`Heard: ${names.join(", ")}`);
    if (nth < keys.length / 2) await page.evaluate((n) => (window as unknown as Played).pressButton(n, false), nth);
  }
  await tray(page).getByRole("button", { name: "That was all" }).click();
  await expect(page.getByRole("table", { name: "Tests made" }).getByRole("row")).toHaveCount(6);
  await expect(suspects(page)).toBeHidden();
});

/** What a hand does in a test, and what the chip's host is told of it: codes of keys in the order in which they go down. */
function codesFromChip(flash: Uint8Array, tests: Design, deed: TrialDeed): string[] {
  const at = (id: string) => {
    const { controlId: control, end } = derive(tests).elements.get(id)!;
    return { control, end };
  };
  const presses = (id: string, nth: number): SimulationEvent[] => [
    { atMs: 40 * nth, action: "press", ...at(id) },
    { atMs: 40 * nth + 20, action: "release", ...at(id) },
  ];
  const turn = (id: string): SimulationEvent[] => [{ atMs: 0, action: "turn", steps: 4, ...at(id) }];
  const events = deed.does === "sweep" ? deed.each.flatMap(presses) : deed.does === "turn" ? turn(deed.elementId) : [];
  const { script } = recordOnChip(tests, later({ events, untilMs: 800 }));
  const folder = workFolder();
  const { output } = play(buildUsbHost(), flashFiles(tests, folder, [{ at: 0, bytes: flash }]), script);
  let down = new Set<number>();
  return [...output.matchAll(/ keyboard ([0-9a-f]+)/g)].flatMap(([, hex]) => {
    const now = new Set(usagesIn(Uint8Array.from(Buffer.from(hex, "hex")).subarray(8)));
    const fresh = [...now].filter((usage) => !down.has(usage));
    down = now;
    return fresh.map((usage) => keyboardUsage(usage)!.code);
  });
}

test("the keymap for tests is loaded from here, and what the chip then tells is heard: sweeps, and knobs by their steps", async ({
  page,
}) => {
  const loader = new StandInLoader();
  await plugIn(page, loader);
  await page.goto("/bench/kestrel/bring-up");
  await expect(inHand(page)).toBeVisible();
  await tray(page)
    .getByRole("checkbox", { name: /^Listen to what it types/ })
    .check();
  await tray(page).getByLabel("It is loaded with").selectOption("the keymap for tests");
  await tray(page).getByRole("button", { name: "Load the keymap for tests" }).click();
  const panel = page.getByRole("dialog", { name: "Load Kestrel for tests into its controller" });
  await panel.getByRole("button", { name: "Choose the port and load" }).click();
  await expect(panel).toContainText("read back without a difference");
  await panel.getByRole("button", { name: "Close" }).click();

  const design = (await (await page.request.get("/api/demos/kestrel")).json()) as Design;
  const model = modelOf(design);
  const answers: { trial: string; came: string }[] = [];
  const nextTest = () => bringUpView(model, design, answers, {}, usualEfforts).next!;
  const tests = testKeymapOf(design).design;
  const heard = { sweep: 0, turn: 0 };
  for (let made = 0; heard.turn < 1; made++) {
    const next = nextTest();
    await expect(inHand(page)).toHaveText(next.title);
    const { does } = next.deed;
    if (does === "sweep" || does === "turn") {
      const codes = codesFromChip(loader.flash, tests, next.deed);
      expect(codes.length).toBeGreaterThan(1);
      await expect(tray(page).getByRole("status", { name: "Heard" })).toHaveText("Listening: do it now.");
      for (const code of codes) await page.keyboard.press(code);
      await tray(page).getByRole("button", { name: "That was all" }).click();
      heard[does] += 1;
    } else
      await tray(page)
        .getByRole("button", { name: /^1 As it should/ })
        .click();
    answers.push({ trial: next.id, came: next.outcomes[0].came });
    await expect(page.getByRole("table", { name: "Tests made" }).getByRole("row")).toHaveCount(made + 2);
  }
  expect(heard.sweep).toBeGreaterThan(0);
  await expect(suspects(page)).toBeHidden();
  await expect(inHand(page)).toHaveText(nextTest().title);
});

test("an axis is heard through live changes: as it should, and one that does not move", async ({ page }) => {
  // The browser asks, and nobody chooses a device.
  await page.addInitScript(() =>
    Object.defineProperty(navigator, "hid", { value: { requestDevice: () => Promise.resolve([]) } }),
  );
  await page.goto("/bench/kestrel/reports");
  await tray(page).getByRole("checkbox", { name: "Live changes" }).check();
  await goTo(page, "Bring-up");
  const card = inHand(page);
  await expect(card).toContainText("Before any plug");
  for (let test = 0; test < 80; test++) {
    const title = (await card.innerText()).trim();
    if (/^Move .* to both ends/.test(title)) break;
    await page.keyboard.press("1");
    await expect(card).not.toHaveText(title);
  }
  await expect(card).toContainText("to both ends and let it rest");
  await tray(page)
    .getByRole("checkbox", { name: /^Listen to what it types/ })
    .check();
  // No device is there: it is told what connecting would do, and how it ended.
  await expect(tray(page)).toContainText("nothing on it is changed");
  await tray(page).getByRole("button", { name: "Connect the device" }).click();
  await expect(tray(page).getByRole("status", { name: "Device" })).toContainText("No device was chosen");
  await goTo(page, "Keymap");
  const onDevice = tray(page).getByRole("region", { name: "On the device" });
  await onDevice.getByRole("button", { name: "Connect the stand-in" }).click();
  await expect(onDevice.getByRole("button", { name: "Disconnect" })).toBeVisible();
  await goTo(page, "Bring-up");
  const title = (await card.innerText()).trim();
  await tray(page).getByRole("button", { name: "Let go of it, then begin" }).click();
  const both = tray(page).getByRole("button", { name: "It was at both ends" });
  await expect(tray(page)).toContainText("Now move it to all its ends");
  await tray(page).getByRole("button", { name: "Stand-in: to its low end" }).click();
  await expect(tray(page)).toContainText(/Seen from, to\d\.\d %/);
  await tray(page).getByRole("button", { name: "Stand-in: to its high end" }).click();
  await expect(tray(page)).toContainText(/Seen from, to\d\.\d %, 9\d\.\d %/);
  await both.click();
  await expect(card).not.toHaveText(title);
  // The next one nobody moves: it does not move.
  await expect(card).toContainText("to both ends and let it rest");
  await tray(page).getByRole("button", { name: "Let go of it, then begin" }).click();
  await both.click();
  await expect(card).not.toContainText("to both ends and let it rest");
  await expect(page.getByRole("table", { name: "Tests made" })).toContainText("it does not move");
});

test("an axis that has nothing to do is not waited for: that is told", async ({ page, request }) => {
  const kestrel = (await (await request.get("/api/demos/kestrel")).json()) as Design;
  for (const layer of kestrel.keymap.layers) layer.axes = {};
  kestrel.reportSet.interfaces = [...kestrel.reportSet.interfaces, "live"];
  await openOwn(page, { ...kestrel, id: "still-axes", name: "Still axes" }, "Keymap");
  const onDevice = tray(page).getByRole("region", { name: "On the device" });
  await onDevice.getByRole("button", { name: "Connect the stand-in" }).click();
  await expect(onDevice.getByRole("button", { name: "Disconnect" })).toBeVisible();
  await goTo(page, "Bring-up");
  await expect(inHand(page)).toContainText("Before any plug");
  for (let test = 0; test < 80; test++) {
    const title = (await inHand(page).innerText()).trim();
    if (/^Move .* to both ends/.test(title)) break;
    await page.keyboard.press("1");
    await expect(inHand(page)).not.toHaveText(title);
  }
  await tray(page)
    .getByRole("checkbox", { name: /^Listen to what it types/ })
    .check();
  await expect(tray(page)).toContainText("Stand-in device does not read this axis");
  await expect(tray(page).getByRole("button", { name: "Let go of it, then begin" })).toHaveCount(0);
});

test("another design has another device under test, and opens without the dialog that was left open", async ({
  page,
}) => {
  const toShelf = () => page.getByRole("link", { name: "Ovrin: back to the shelf" }).click();
  const open = async (name: string) => {
    await page.getByRole("link", { name: `Open ${name}`, exact: true }).click();
    await goTo(page, "Bring-up");
    await expect(inHand(page)).toBeVisible();
  };
  const hidden = tray(page).getByText("The stand-in, with one hidden fault.");
  await page.goto("/");
  await open("Loom 64");
  await tray(page).getByRole("button", { name: "Stand-in with a hidden fault" }).click();
  await expect(hidden).toBeVisible();
  await toShelf();
  await open("Tern");
  await expect(tray(page).getByText("The one in your hand.")).toBeVisible();
  await expect(hidden).toBeHidden();
  // A look at another design takes nothing from the first.
  await toShelf();
  await open("Loom 64");
  await expect(hidden).toBeVisible();

  await tray(page).getByRole("button", { name: "Test the one in my hand" }).click();
  await tray(page)
    .getByRole("checkbox", { name: /^Listen to/ })
    .check();
  await tray(page).getByRole("button", { name: "Load the keymap for tests" }).click();
  await expect(page.getByRole("dialog")).toBeVisible();
  // The browser's own way back, past the dialog: first to the stage before, then to the shelf.
  await page.goBack();
  await page.goBack();
  await expect(page.getByRole("heading", { name: "On the shelf" })).toBeVisible();
  await open("Tern");
  await expect(page.getByRole("dialog")).toBeHidden();
  await expect(tray(page).getByRole("checkbox", { name: /^Listen to/ })).not.toBeChecked();
});
