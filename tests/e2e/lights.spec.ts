import { type Page, expect, test } from "@playwright/test";
import { goTo, part, saved, tray } from "./bench";

const lights = (page: Page) => tray(page).getByRole("region", { name: "Lights" });
const glow = (page: Page, words: string | RegExp) => lights(page).getByRole("button", { name: words, exact: true });
const isLit = (page: Page, label: string) =>
  expect(part(page, label), label).toHaveAttribute("aria-label", / lit in #[0-9a-f]{6}$/);
const isDark = (page: Page, label: string) => expect(part(page, label), label).not.toHaveAttribute("aria-label", /lit/);

/** A finger goes down on a part and stays. */
async function hold(page: Page, label: string) {
  await part(page, label).hover();
  await page.mouse.down();
}

test("lights of a new use are told what to show, with bad input too, and are tried", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await lights(page).getByRole("button", { name: "Change what lights show" }).click();
  for (let left = 5; left > 0; left--) {
    await lights(page)
      .getByRole("button", { name: /^Remove the glow/ })
      .first()
      .click();
    await expect(lights(page).getByRole("listitem")).toHaveCount(left - 1);
  }
  // Nothing is said of them any more: the rule says so, and its cure lets all of them glow.
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText("Nothing says what 6 lights should show; they stay dark.");
  await all.getByRole("button", { name: "Let all lights glow" }).click();
  await expect(all).not.toContainText("they stay dark");
  await page.getByRole("button", { name: "Close the list of findings" }).click();
  await expect(glow(page, "all lights, always: #806040")).toBeVisible();

  await part(page, "Power").click();
  await lights(page).getByRole("button", { name: "Let the selected light glow" }).click();
  await lights(page).getByLabel("It shows", { exact: true }).selectOption({ label: "that Stop is held" });
  const colour = lights(page).getByLabel("Colour", { exact: true });
  await colour.fill("red");
  await expect(lights(page)).toContainText('"red" is no colour. Type two digits each for red, green and blue');
  await expect(lights(page)).not.toContainText("Power, while Stop is held: red");
  await colour.fill("00FF00");
  await colour.press("Enter");
  const fade = lights(page).getByLabel("Then it fades in (ms)");
  await fade.fill("6000");
  await expect(lights(page)).toContainText("Between 0 and 5000 ms.");
  await fade.fill("200");
  await fade.press("Enter");
  await expect(glow(page, "Power, while Stop is held: #00ff00, fading in 0.2 s")).toBeVisible();
  await saved(page);

  await goTo(page, "Try");
  await isLit(page, "Power");
  await isLit(page, "Chart 3");
  const before = await part(page, "Power").getAttribute("aria-label");
  await hold(page, "Stop");
  await expect(part(page, "Power")).toHaveAttribute("aria-label", /lit in #00[0-9a-f]{2}00$/);
  await page.mouse.up();
  await expect(part(page, "Power")).toHaveAttribute("aria-label", before!);
});

test("a layer, a key that is held and a wave are seen on Kestrel; a knob's value and an effect are chosen", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/try");
  await isLit(page, "Power");
  await isDark(page, "Camera light");
  await hold(page, "Camera");
  await isLit(page, "Camera light");
  await page.mouse.up();
  await isDark(page, "Camera light");

  await goTo(page, "Keymap");
  await part(page, "Lock").click();
  await glow(page, "Lock, while the host's num lock is on: #ff0000").click();
  await lights(page).getByLabel("It shows", { exact: true }).selectOption({ label: "that the device runs" });
  await lights(page)
    .getByLabel("By", { exact: true })
    .selectOption({ label: "between two colours, by a knob's value" });
  await expect(glow(page, "Lock, always: from #ff0000 to #000000 by the value of Focus")).toBeVisible();
  await lights(page).getByLabel("By", { exact: true }).selectOption({ label: "slowly through all colours" });
  await lights(page).getByLabel("Once round in (ms)").fill("10");
  await expect(lights(page)).toContainText("Between 1000 and 60000 ms.");
  await lights(page).getByLabel("Once round in (ms)").fill("1000");
  await lights(page).getByLabel("Once round in (ms)").press("Enter");
  await expect(glow(page, "Lock, always: through all colours in 1 s")).toBeVisible();
  // Its last light stays: a glow of none would be nothing.
  await expect(lights(page).getByRole("checkbox", { name: "Lock", exact: true })).toBeDisabled();
  await lights(page).getByRole("checkbox", { name: "Power", exact: true }).check();
  await expect(glow(page, "Power and Lock, always: through all colours in 1 s")).toBeVisible();

  await goTo(page, "Try");
  await isLit(page, "Lock");
  const one = await part(page, "Lock").getAttribute("aria-label");
  await expect(part(page, "Lock")).not.toHaveAttribute("aria-label", one!);
});

test("glows are carried to another place with the keyboard, and the later one lies on top", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Power").click();
  const lines = lights(page).getByRole("list", { name: "Glows, the lowest first" }).getByRole("listitem");
  await expect(lines.first()).toContainText("Power, always: #800000");
  const grip = lines.first().getByRole("button", { name: /^Drag the glow/ });
  const told = page.getByRole("status").filter({ hasText: /draggable/i });
  await grip.focus();
  await page.keyboard.press("Space");
  await expect(told).toContainText(/Picked up|area power-glow/);
  await page.keyboard.press("ArrowDown");
  await expect(told).toContainText(/moved over droppable area camera-glow/);
  await page.keyboard.press("Space");
  await expect(told).toContainText(/dropped/);
  await expect(lines.first()).not.toContainText("Power, always");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(lines.first()).toContainText("Power, always: #800000");
});

test("a lamp blinks in times of its own, is dimmed, and is told when it flashes too fast", async ({ page }) => {
  await page.goto("/bench/tern/keymap");
  await part(page, "Locked").click();
  const lamp = tray(page).getByRole("region", { name: "Lamp Locked" });
  await lamp.getByLabel("Shows", { exact: true }).selectOption({ label: "that the device runs" });
  await lamp.getByLabel("It is lit", { exact: true }).selectOption({ label: "in times of your own" });
  await lamp.getByLabel("On (ms)", { exact: true }).fill("100");
  await lamp.getByLabel("On (ms)", { exact: true }).press("Enter");
  await lamp.getByLabel("Off (ms)", { exact: true }).fill("3000");
  await expect(lamp).toContainText("Between 10 and 2550 ms.");
  await lamp.getByLabel("Off (ms)", { exact: true }).fill("100");
  await lamp.getByLabel("Off (ms)", { exact: true }).press("Enter");
  await expect(lamp).toContainText("It flashes 5.0 times a second.");
  await lamp.getByLabel("It is lit", { exact: true }).selectOption({ label: "blinking slowly" });
  await expect(lamp).not.toContainText("It flashes");
  await lamp.getByLabel("Brightness", { exact: true }).selectOption({ label: "2 of 8" });
  await saved(page);

  await goTo(page, "Try");
  await expect(part(page, "Locked")).toHaveAttribute("aria-label", /, lit$/);
  await isDark(page, "Locked");
  await expect(part(page, "Locked")).toHaveAttribute("aria-label", /, lit$/);
  // A quarter of the time is about half as bright to the eye.
  const fill = () => part(page, "Locked").locator("path").first().getAttribute("fill");
  await expect.poll(fill).toContain("color-mix(in srgb, var(--saffron) 53%");
});
