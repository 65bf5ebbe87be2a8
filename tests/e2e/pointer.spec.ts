import { expect, test } from "@playwright/test";
import {
  bindByName,
  emptyShelf,
  exportAs,
  goTo,
  mat,
  middleOf,
  part,
  saved,
  stage,
  tap,
  textOf,
  tray,
  typed,
  onlyTheNote,
} from "./bench";

test("a nine-key pad with an encoder, from an empty shelf to keystrokes and back as a file, by pointer", async ({
  page,
}) => {
  await emptyShelf(page);
  await expect(page.getByText("The shelf is empty.")).toBeVisible();
  await page.getByRole("button", { name: "New device" }).click();
  await expect(page.getByText("Start with the wish in Brief")).toBeVisible();
  await goTo(page, "Layout");

  // Layout: a block, and an encoder where the pointer says.
  await page.getByRole("button", { name: "Place the shape" }).click();
  await expect(part(page, "K9")).toBeVisible();
  await tray(page).getByRole("button", { name: "Encoder", exact: true }).click();
  await expect(page.getByText("Click where the encoder goes")).toBeVisible();
  const box = (await mat(page).boundingBox())!;
  const corner = (await part(page, "K3").boundingBox())!;
  await page.mouse.click(corner.x + corner.width * 1.8, corner.y + corner.height / 2);
  await page.keyboard.press("Escape");
  await expect(part(page, "E1")).toBeVisible();
  expect(box.width).toBeGreaterThan(500);

  // Moved by dragging: it snaps to quarter units.
  const before = await part(page, "K1").getAttribute("aria-label");
  const k1 = (await part(page, "K1").boundingBox())!;
  await page.mouse.move(k1.x + k1.width / 2, k1.y + k1.height / 2);
  await page.mouse.down();
  await page.mouse.move(k1.x + k1.width / 2 - 30, k1.y + k1.height / 2, { steps: 6 });
  await page.mouse.up();
  const after = await part(page, "K1").getAttribute("aria-label");
  expect(after).not.toBe(before);
  expect(after).toMatch(/at -[\d.]+ by 0 mm/);

  // Wiring.
  await goTo(page, "Wiring");
  await expect(page.getByText(/not wired to anything/)).toBeVisible();
  await page.getByRole("button", { name: "Fewest pins" }).click();
  await expect(stage(page, "Wiring")).toContainText("3 rows, 4 columns");

  // Pins.
  await goTo(page, "Pins");
  await page.getByLabel("Class", { exact: true }).selectOption("small-5v-18");
  await page.getByRole("button", { name: "Share out pins" }).first().click();
  await expect(stage(page, "Pins")).toContainText("9 of 18 pins");

  // In the middle of it all: a reload loses nothing.
  await saved(page);
  await page.reload();
  await expect(stage(page, "Pins")).toContainText("9 of 18 pins");

  // Keymap: by name, and by pressing the key on one's own keyboard.
  await goTo(page, "Keymap");
  for (const [label, query] of [
    ["K1", "h"],
    ["K2", "e"],
    ["K3", "l"],
  ]) {
    await part(page, label).click();
    await bindByName(page, query);
  }
  await part(page, "K4").click();
  await page.getByRole("button", { name: "Press it on my keyboard" }).click();
  await page.keyboard.press("KeyO");
  await expect(tray(page).getByRole("status", { name: "What it does" })).toHaveText("O");
  await part(page, "E1").click();
  await page.getByLabel("Movement").selectOption({ label: "E1 turned clockwise" });
  await bindByName(page, "volume up");
  await expect(tray(page).getByRole("status", { name: "What it does" })).toHaveText("Volume Increment");

  // Undo through three stages and forth again.
  await goTo(page, "Layout");
  for (let steps = 0; steps < 5; steps++) await page.keyboard.press("Control+z");
  await expect(stage(page, "Keymap")).toContainText("1 layer");
  await goTo(page, "Try");
  await expect(page.getByText(/do nothing on any layer/)).toBeVisible();
  await goTo(page, "Layout");
  for (let steps = 0; steps < 5; steps++) await page.keyboard.press("Control+Shift+z");

  // Try.
  await goTo(page, "Try");
  for (const label of ["K1", "K2", "K3", "K3", "K4"]) await tap(page, label);
  await expect(typed(page)).toHaveText("hello");
  await page.getByRole("button", { name: "Turn E1 clockwise", exact: true }).click();
  await expect(page.getByRole("list", { name: "Other things the computer was told" })).toContainText(
    "Volume Increment",
  );

  // Out and in again: the same design.
  const file = await exportAs(page, "Design file");
  expect(file.suggestedFilename()).toBe("new-device.ovrin.json");
  const design = JSON.parse(await textOf(file));
  await page.goto("/");
  await page.getByLabel("Design files").setInputFiles(await file.path());
  await expect(page.getByRole("article")).toHaveCount(2);
  await page.getByRole("link", { name: "Open New device 2" }).click();
  await expect(stage(page, "Layout")).toContainText("10 placed");
  const again = JSON.parse(await textOf(await exportAs(page, "Design file")));
  expect({ ...again, id: design.id, name: design.name }).toEqual(design);
});

test("undo reaches back through layout, wiring and pins while one moves between them", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await part(page, "Sync").click();
  await page.getByLabel("x (mm)").fill("-40");
  await page.getByLabel("x (mm)").press("Enter");
  await goTo(page, "Wiring");
  await page.getByRole("button", { name: "Everything direct" }).click();
  await expect(stage(page, "Wiring")).toContainText("33 nets");
  await goTo(page, "Pins");
  await page.getByLabel("Class", { exact: true }).selectOption("dual-core-3v3-26");
  await expect(page.getByText(/moved to another pin; the others keep theirs|Every net keeps its pin/)).toBeVisible();
  await page.getByRole("button", { name: "Undo: choose a controller" }).click();
  await page.getByRole("button", { name: "Undo: wire everything direct" }).click();
  await page.getByRole("button", { name: "Undo: place Sync" }).click();
  await onlyTheNote(page);
  await expect(stage(page, "Wiring")).toContainText("4 rows, 4 columns");
  await expect(page.getByRole("button", { name: "Nothing to undo" })).toBeDisabled();
});

test("too few pins are counted, and the way out is one click", async ({ page }) => {
  await page.goto("/bench/kestrel/pins");
  await page.getByLabel("Class", { exact: true }).selectOption("thumb-3v3-11");
  await expect(
    page.getByText("6 pins too few: 17 nets need pins, the Thumb-size 3.3 V board, 11 I/O has 11."),
  ).toBeVisible();
  await page
    .getByRole("contentinfo")
    .getByRole("button", { name: /^Take the / })
    .click();
  // All that is left are notes: what the lights take asleep, and how an interpreter on that board would read the knobs.
  await page.getByRole("button", { name: /^All \d+ findings$|^\d+ findings$/ }).click();
  const all = page.getByRole("region", { name: "All findings" }).getByRole("listitem");
  await expect(all.filter({ hasText: /In Python .* would be read every/ })).toHaveCount(1);
  await expect(all.filter({ hasText: /Asleep the device still takes/ })).toHaveCount(1);
  await expect(stage(page, "Pins")).not.toContainText("to settle");
});

test("a net is moved by dragging its flag, and swaps with the one that is there", async ({ page }) => {
  await page.goto("/bench/kestrel/pins");
  const pinOf = (net: string) => page.getByLabel(`Pin of ${net}`, { exact: true });
  const [first, second] = [await pinOf("R1").inputValue(), await pinOf("C1").inputValue()];
  const from = (await mat(page).locator('[data-net="matrix.R1"]').boundingBox())!;
  const to = (await mat(page).locator(`[data-pin="${second}"]`).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(pinOf("R1")).toHaveValue(second);
  await expect(pinOf("C1")).toHaveValue(first);
});

test("a switch is moved to another row on the mat, and a collision is told", async ({ page }) => {
  await page.goto("/bench/kestrel/wiring");
  await part(page, "Sync").click();
  await mat(page).locator('[data-net="matrix.R3"]').click();
  await expect(page.getByText(/Sync and West share the cell R3 C1|West and Sync share the cell R3 C1/)).toBeVisible();
  await page.getByLabel("Row of Sync").selectOption("1");
  await onlyTheNote(page);
});

test("frame and modifier select several; they are aligned and spread evenly", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  const from = (await part(page, "Sync").boundingBox())!;
  const to = (await part(page, "Camera").boundingBox())!;
  await page.mouse.move(from.x - 12, from.y - 3);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width + 10, to.y + to.height + 6, { steps: 5 });
  await page.mouse.up();
  await expect(tray(page).getByText("12 selected")).toBeVisible();
  await part(page, "Stop").click({ modifiers: ["Control"] });
  await expect(tray(page).getByText("11 selected")).toBeVisible();
  await page.getByRole("button", { name: "Same y" }).click();
  await expect(page.getByText(/overlap/)).toBeVisible();
  await page.keyboard.press("Control+z");
  await onlyTheNote(page);
});

test("missing diodes really ghost, and the strip shows contact, debounced state and reports", async ({ page }) => {
  await page.goto("/bench/loom-64/try");
  await page.getByLabel("The diodes were left out").check();
  await page.getByLabel("Contacts bounce, up to 4 ms").check();
  await typed(page).focus();
  for (const code of ["KeyQ", "KeyW", "KeyA"]) await page.keyboard.down(code);
  await page.waitForTimeout(300);
  for (const code of ["KeyQ", "KeyW", "KeyA"]) await page.keyboard.up(code);
  // Q, W and A are three corners of a rectangle; S is the fourth.
  await expect.poll(async () => [...((await typed(page).textContent()) ?? "")].sort().join("")).toBe("aqsw");
  await page.getByRole("button", { name: "Hold the strip" }).click();
  await page.getByText("The last reports as a list").click();
  await expect(page.getByText(/^\d+ ms keyboard 0000\w{12}$/).first()).toBeVisible();
  await page.getByLabel("The diodes were left out").uncheck();
  await typed(page).focus();
  for (const code of ["KeyQ", "KeyW", "KeyA"]) await page.keyboard.down(code);
  await page.waitForTimeout(300);
  for (const code of ["KeyQ", "KeyW", "KeyA"]) await page.keyboard.up(code);
  await expect.poll(async () => [...((await typed(page).textContent()) ?? "")].sort().join("")).toBe("aqw");
});

test("reports are live beside the descriptor, which is told byte by byte", async ({ page }) => {
  await page.goto("/bench/kestrel/reports");
  await expect(page.getByRole("heading", { name: "Interface 0: Keyboard, boot layout, 64 bytes" })).toBeVisible();
  await expect(page.getByRole("row", { name: /0 05 01 Usage Page \(Generic Desktop\)/ }).first()).toBeVisible();
  await part(page, "North").hover();
  await page.mouse.down();
  await expect(tray(page).getByText("52", { exact: true })).toBeVisible();
  await page.mouse.up();
  await expect(tray(page).getByText("52", { exact: true })).toHaveCount(0);
});

test("every export leaves every stage's menu", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  for (const name of ["Brief", "Layout", "Wiring", "Pins", "Circuits", "Keymap", "Reports", "Try"]) {
    await goTo(page, name);
    await page.getByRole("button", { name: "Export", exact: true }).click();
    await expect(page.getByRole("dialog").getByRole("listitem")).toHaveCount(41);
    await page.keyboard.press("Escape");
  }
  expect(await textOf(await exportAs(page, "Wire list"))).toContain("Straight length (mm)");
  expect(await textOf(await exportAs(page, "Parts list"))).toContain("Price each");
  expect(await textOf(await exportAs(page, "Report descriptor, hexadecimal"))).toContain("26 FF 00");
  expect((await exportAs(page, "Report descriptor, binary")).suggestedFilename()).toBe("kestrel-descriptor.bin");
  expect(await textOf(await exportAs(page, "Finished flash image"))).toMatch(/^:10000000[0-9A-F]+\n[^]*:00000001FF\n$/);
  expect((await exportAs(page, "Firmware, C99")).suggestedFilename()).toBe("kestrel-firmware-c.zip");
  expect((await exportAs(page, "Firmware, a project")).suggestedFilename()).toBe("kestrel-firmware-project.zip");
  await page.getByRole("button", { name: "Export", exact: true }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Firmware, Python" }).click();
  await expect(page.getByText("Small 5 V USB board, 18 I/O, which runs no Python")).toBeVisible();
});

test("two fingers press two keys at once", async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto("/bench/loom-64/try");
  const points = await Promise.all(["G", "H"].map((label) => middleOf(part(page, label))));
  const session = await context.newCDPSession(page);
  await session.send("Input.dispatchTouchEvent", { type: "touchStart", touchPoints: points });
  await page.waitForTimeout(100);
  await page.getByText("The last reports as a list").click();
  await expect(page.getByText(/^\d+ ms keyboard 00000a0b00000000$/).first()).toBeVisible();
  await session.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [] });
  await expect(page.getByText(/^\d+ ms keyboard 0000000000000000$/).first()).toBeVisible();
  await expect(typed(page)).toHaveText("gh");
  await context.close();
});

test("a design file dropped on the bench goes to the shelf and leaves the bench as it is", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  const text = await textOf(await exportAs(page, "Design file"));
  const transfer = await page.evaluateHandle((body) => {
    const data = new DataTransfer();
    data.items.add(new File([body], "kestrel.json", { type: "application/json" }));
    return data;
  }, text);
  await mat(page).dispatchEvent("drop", { dataTransfer: transfer });
  await expect(page.getByText("The dropped design is on the shelf.")).toBeVisible();
  await expect(page.getByLabel("Name of the design")).toHaveValue("Kestrel");
  await page.getByRole("button", { name: "Open it" }).click();
  await expect(page.getByLabel("Name of the design")).toHaveValue("Kestrel 2");
});
