import { type Page, expect, test } from "@playwright/test";
import { goTo, part, tap, tray, typed } from "./bench";

const dialog = (page: Page) => page.getByRole("dialog");
const steps = (page: Page) => dialog(page).getByRole("list", { name: "Steps" }).getByRole("listitem");

async function addText(page: Page, text: string): Promise<void> {
  await dialog(page).getByRole("button", { name: "A text" }).click();
  const field = dialog(page).getByLabel("Type", { exact: true }).last();
  await field.fill(text);
  await field.press("Enter");
}

/** Plays it with a key: the last of Kestrel's keys, taken in hand first. */
async function playWith(page: Page, key: string, macro: string): Promise<void> {
  await part(page, key).click();
  await tray(page).getByLabel("Play a macro").selectOption({ label: macro });
}

test("a macro is recorded, changed by keyboard, tried, and goes with what plays it", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await page.getByRole("button", { name: "Add a macro" }).click();
  await dialog(page).getByRole("button", { name: "Record what I press" }).click();
  for (const key of ["KeyH", "KeyI"]) await page.keyboard.press(key);
  await page.keyboard.press("Escape");
  await expect(steps(page)).toHaveCount(2);
  await addText(page, "Go!");
  await expect(steps(page)).toHaveCount(3);
  // The text is carried to the top by keyboard.
  await dialog(page)
    .getByRole("button", { name: /^Drag step 3/ })
    .focus();
  const over = (step: string) => page.getByText(new RegExp(`was moved over droppable area ${step}`));
  // Over its own place first: what is carried listens to keys from then on.
  await page.keyboard.press("Space");
  await expect(over("step 3")).toBeAttached();
  for (const step of ["step 2", "step 1"]) {
    await page.keyboard.press("ArrowUp");
    await expect(over(step)).toBeAttached();
  }
  await page.keyboard.press("Space");
  await expect(steps(page).first().getByRole("textbox")).toHaveValue("Go!");
  await dialog(page).getByLabel("Name of the macro").fill("Greeting");
  await dialog(page).getByLabel("Name of the macro").press("Enter");
  await expect(dialog(page).getByText(/bytes in the device/)).toContainText("15 bytes");
  await page.keyboard.press("Escape");
  await expect(dialog(page)).toHaveCount(0);
  await playWith(page, "Park", "Greeting");
  await expect(tray(page).getByRole("status", { name: "What it does" })).toHaveText("play Greeting");
  await goTo(page, "Try");
  await tap(page, "Park");
  await expect(typed(page)).toHaveText("Go!hi");
  await goTo(page, "Keymap");
  await page.getByRole("button", { name: "Change Greeting" }).click();
  await dialog(page).getByRole("button", { name: "Remove this macro" }).click();
  await part(page, "Park").click();
  await expect(tray(page).getByRole("status", { name: "What it does" })).toHaveText("nothing yet");
});

test("a part of a macro is done again, and a recording ends where the macro is full", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await page.getByRole("button", { name: "Add a macro" }).click();
  await dialog(page).getByRole("button", { name: "A part again" }).click();
  await expect(steps(page).first()).toContainText("Nothing stands before it that it could do again.");
  await dialog(page).getByRole("button", { name: "Take step 1 out" }).click();
  await addText(page, "a");
  await addText(page, "b");
  await dialog(page).getByRole("button", { name: "A part again" }).click();
  const times = dialog(page).getByLabel("In all (0: until let go) (times)");
  await times.fill("3");
  await times.press("Enter");
  const many = dialog(page).getByLabel("Again: how many steps before it");
  await many.fill("9");
  await expect(dialog(page)).toContainText("Between 1 and 2");
  await many.fill("2");
  await many.press("Enter");
  await dialog(page).getByRole("button", { name: "Done" }).click();
  await playWith(page, "Park", "Macro 1");
  await goTo(page, "Try");
  await tap(page, "Park");
  await expect(typed(page)).toHaveText("ababab");

  await goTo(page, "Keymap");
  await page.getByRole("button", { name: "Change Macro 1" }).click();
  await dialog(page).getByRole("button", { name: "Record what I press" }).click();
  for (let nth = 0; nth < 400; nth++) await page.keyboard.press(nth % 2 === 0 ? "KeyX" : "KeyY");
  await expect(dialog(page)).toContainText("A macro has at most 400 steps: the recording ended there.");
  // A key that goes down takes two steps until it comes up and is a tap.
  await expect(steps(page)).toHaveCount(399);
});

test("what a language cannot type is told, and entered by its number; a text follows the computer's language", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/keymap");
  await tray(page).getByLabel("Its keyboard language").selectOption({ label: "French" });
  await page.getByRole("button", { name: "Add a macro" }).click();
  await addText(page, "où 日 là?");
  await expect(dialog(page).getByText("French has no keys for")).toBeVisible();
  await expect(dialog(page).getByText(/no place for a password/)).toHaveCount(1);
  await dialog(page).getByRole("button", { name: "Control + Shift + U, the number, Enter" }).click();
  await expect(dialog(page).getByText("French has no keys for")).toHaveCount(0);
  await expect(steps(page)).toHaveCount(5);
  await dialog(page).getByRole("button", { name: "Done" }).click();
  await playWith(page, "Park", "Macro 1");
  await goTo(page, "Try");
  await tap(page, "Park");
  await expect(typed(page)).toHaveText("où 65e5\n là?");
});

test("a key repeats by itself while it is held", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Mark").click();
  await tray(page).getByText("The device repeats it").click();
  await tray(page).getByLabel("First after (ms)").fill("100");
  await tray(page).getByLabel("First after (ms)").press("Enter");
  await expect(tray(page).getByRole("status", { name: "What it does" })).toHaveText("M again every 40 ms");
  await goTo(page, "Try");
  await part(page, "Mark").focus();
  await page.keyboard.down("Space");
  await expect(typed(page)).toHaveText(/^mmm/);
  await page.keyboard.up("Space");
});
