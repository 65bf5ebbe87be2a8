import { type Page, expect, test } from "@playwright/test";
import { emptyShelf, stage, tabTo, typed } from "./bench";

async function enter(page: Page, name: RegExp, key = "Enter") {
  await tabTo(page, name);
  await page.keyboard.press(key);
}

/** Runs an action of the palette by a few of its letters. */
async function act(page: Page, letters: string) {
  await page.keyboard.press("Control+k");
  await expect(page.getByRole("combobox", { name: "Action" })).toBeFocused();
  await page.keyboard.type(letters);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("combobox", { name: "Action" })).toHaveCount(0);
}

test("a nine-key pad with an encoder, from an empty shelf to keystrokes, wholly by keyboard", async ({ page }) => {
  // Some hundred key presses one after another: on a busy machine they take longer than other tests may.
  test.slow();
  await emptyShelf(page);
  await enter(page, /^New device$/);
  await expect(stage(page, "Layout")).toBeVisible();

  await act(page, "go layout");
  await expect(stage(page, "Layout")).toHaveAttribute("aria-current", "step");
  await enter(page, /^Place the shape$/);
  await enter(page, /^Encoder$/);
  await expect(stage(page, "Layout")).toContainText("10 placed");
  // On the mat: the encoder is selected and has the tab stop; Shift and arrow move it by a tenth, an arrow by a quarter unit.
  await tabTo(page, /^Encoder E1,/, true);
  const placeOf = () =>
    page.evaluate(() =>
      /at ([-\d.]+) by ([-\d.]+) mm/.exec(document.activeElement!.getAttribute("aria-label")!)!.slice(1).map(Number),
    );
  const [x, y] = await placeOf();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowDown");
  await expect.poll(placeOf).toEqual([Math.round((x + 4.7625) * 1000) / 1000, Math.round((y + 0.1) * 1000) / 1000]);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect.poll(placeOf).toEqual([x, y]);

  await act(page, "rows fewest");
  await expect(stage(page, "Wiring")).toContainText("3 rows, 4 columns");
  await act(page, "take small");
  await act(page, "share out pins");
  await expect(stage(page, "Pins")).toContainText("9 of 18 pins");

  await act(page, "go keymap");
  await expect(stage(page, "Keymap")).toHaveAttribute("aria-current", "step");
  for (const [label, usage] of [
    ["K1", "o"],
    ["K2", "k"],
  ]) {
    await enter(page, new RegExp(`^${label}$`));
    await tabTo(page, /^Search a usage$/);
    await page.keyboard.type(usage);
    await page.keyboard.press("Enter");
  }
  await enter(page, /^K3$/);
  await enter(page, /^Press it on my keyboard$/, "Space");
  await page.keyboard.press("Enter");
  await expect(
    page.getByRole("complementary", { name: "Tray" }).getByRole("status", { name: "What it does" }),
  ).toHaveText("Enter");
  await enter(page, /^E1 turned clockwise$/);
  await tabTo(page, /^Search a usage$/);
  await page.keyboard.type("digit 7");
  await page.keyboard.press("Enter");

  await act(page, "go try");
  // Until then the keys of the mat are those of the stage before, which is live too.
  await expect(stage(page, "Try")).toHaveAttribute("aria-current", "step");
  // The encoder, bound last, has the tab stop; arrows lead over the pad to its first key.
  await tabTo(page, /^Encoder E1,/);
  for (const key of ["ArrowLeft", "ArrowLeft", "ArrowLeft", "ArrowUp", "ArrowUp"]) await page.keyboard.press(key);
  await page.keyboard.press("Space", { delay: 60 });
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Space", { delay: 60 });
  await expect(typed(page)).toHaveText("ok");
  for (const key of ["ArrowDown", "ArrowDown", "ArrowRight", "ArrowRight", "PageUp"]) await page.keyboard.press(key);
  await expect(typed(page)).toHaveText("ok7");
  // And with one's own keys in the computer's text field; Tab leaves it again.
  await tabTo(page, /^Typed text$/);
  await page.keyboard.press("KeyK", { delay: 60 });
  await expect(typed(page)).toHaveText("ok7k");
  await page.keyboard.press("Tab");
  await expect(typed(page)).not.toBeFocused();

  await page.keyboard.press("Control+k");
  await page.keyboard.type("export design");
  const download = page.waitForEvent("download");
  await page.keyboard.press("Enter");
  expect((await download).suggestedFilename()).toBe("new-device.ovrin.json");
});

test("wrong numbers are told in place and change nothing", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await page.getByRole("button", { name: "Sync", exact: true }).click();
  const x = page.getByLabel("x (mm)");
  await x.fill("left a bit");
  await expect(page.getByText('"left a bit" is not a number. Type one like 12.5.')).toBeVisible();
  await x.press("Enter");
  await x.press("Escape");
  await expect(x).toHaveValue("0");
  await x.fill("99999");
  await expect(page.getByText("Between -2000 and 2000 mm.")).toBeVisible();
  await x.press("Escape");
  await x.fill("-1,5");
  await x.press("Enter");
  await expect(x).toHaveValue("-1.5");
  await expect(page.getByRole("button", { name: "Undo: place Sync" })).toBeEnabled();
});

test("a dialog stays when something behind it is given the focus late, and goes by a press beside it", async ({
  page,
}) => {
  await page.goto("/bench/tern/layout");
  await page.getByRole("button", { name: "Load it", exact: true }).click();
  const dialog = page.getByRole("dialog", { name: "Load Tern into its controller" });
  await expect(dialog).toBeVisible();
  await dialog.getByRole("button", { name: "Close" }).focus();
  // As a dialog that closed just before gives the focus back to what opened it.
  await page.getByLabel("Name of the design").evaluate((field: HTMLElement) => field.focus());
  await page.waitForTimeout(300);
  await expect(dialog).toBeVisible();
  await page.mouse.click(5, 790);
  await expect(dialog).toBeHidden();
});
