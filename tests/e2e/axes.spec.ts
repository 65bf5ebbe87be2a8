import { type Page, expect, test } from "@playwright/test";
import { goTo, middleOf, part, tap, tray } from "./bench";

const section = (page: Page, name: string) => tray(page).getByRole("region", { name });

/** Pulls a stick by so many pixels and keeps it there. */
async function pull(page: Page, label: string, right: number, down: number) {
  const { x, y } = await middleOf(part(page, label));
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + right, y + down, { steps: 4 });
}

test("Kestrel's stick moves the pointer while it is pulled, and on the star chart it turns the wheel", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/try");
  await expect(part(page, "Power")).toHaveAttribute("aria-label", / lit in /);
  await pull(page, "Slew", 60, -60);
  await expect(section(page, "What the pointer does")).toContainText(/\d+ right, \d+ up/);
  await page.mouse.up();
  await expect(section(page, "Move").getByLabel("Move Slew X, percent of its way")).toHaveValue("0");
  // Smoothed readings take a while to come to rest; then it stands.
  const pointer = section(page, "What the pointer does");
  const stands = async () => {
    const before = await pointer.textContent();
    await page.waitForTimeout(300);
    return (await pointer.textContent()) === before;
  };
  await expect.poll(stands).toBe(true);

  await goTo(page, "Keymap");
  await page.getByRole("button", { name: /^Slew Y on Star chart: the wheel up and down/ }).click();
  await expect(section(page, "Slew Y on Star chart")).toContainText("the wheel up and down, up to 12 steps/s");
  await expect(
    page.getByRole("button", { name: "Slew X on Base: the pointer sideways, up to 600 counts/s" }),
  ).toBeVisible();
});

test("a stick puts the pointer where it stands itself", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Slew").click();
  await section(page, "Slew X on Base")
    .getByLabel("It moves")
    .selectOption({ label: "Put the pointer where it stands" });
  await section(page, "Slew Y on Base")
    .getByLabel("It moves")
    .selectOption({ label: "Put the pointer where it stands" });
  await expect(section(page, "Slew Y on Base")).toContainText("the pointer's place down the screen");
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await all.getByRole("button", { name: "Declare Place on the screen" }).click();
  await expect(all).not.toContainText("would report on");
  await goTo(page, "Try");
  const pointer = section(page, "What the pointer does");
  await expect(part(page, "Power")).toHaveAttribute("aria-label", / lit in /);
  // Where it stands at the start is not told.
  await expect(pointer).toHaveCount(0);
  await pull(page, "Slew", 400, -400);
  await expect(pointer).toContainText("Put at100.0 %, 0.0 %");
  await page.mouse.up();
  await expect(pointer).toContainText(/Put at(49|50)\.\d %, (49|50)\.\d %/);
});

test("an axis is measured on the loaded device: where it rests, and its ends", async ({ page }) => {
  await page.goto("/bench/kestrel/reports");
  await tray(page).getByRole("checkbox", { name: "Live changes" }).check();
  await goTo(page, "Keymap");
  await part(page, "Slew").click();
  const x = section(page, "Slew X on Base");
  await x.getByRole("button", { name: "How Slew X is read" }).click();
  await expect(x).toContainText("A loaded device with live changes measures it by itself");
  await section(page, "On the device").getByRole("button", { name: "Connect the stand-in" }).click();
  const measure = x.getByRole("group", { name: "Measure Slew X" });
  await measure.getByRole("button", { name: "Let go of it, then measure where it rests" }).click();
  await expect(measure).toContainText("Now move it to all its ends");
  const take = measure.getByRole("button", { name: "Take over what was measured" });
  // It was moved nowhere yet: there is nothing to take over, and what is missing is said.
  await expect(measure).toContainText("move it to both its ends.");
  await expect(take).toBeDisabled();
  const seen = (words: RegExp) => expect(measure).toContainText(words);
  await measure.getByRole("button", { name: "Stand-in: to its low end" }).click();
  await seen(/Seen from, to[0-9]\.\d %, 5\d\.\d %/);
  await expect(take).toBeDisabled();
  await measure.getByRole("button", { name: "Stand-in: to its high end" }).click();
  await seen(/Seen from, to[0-9]\.\d %, 9\d\.\d %/);
  await measure.getByRole("button", { name: "Stand-in: let go" }).click();
  await seen(/Now5\d\.\d %|Now49\.\d %/);
  await take.click();
  await expect(measure.getByRole("button", { name: "Let go of it, then measure where it rests" })).toBeVisible();
  await expect(x.getByRole("button", { name: "Read it as usual" })).toBeVisible();
  const number = async (label: string) => Number(await x.getByLabel(label).inputValue());
  expect(await number("Low end (% of track)")).toBeLessThan(12);
  expect(await number("High end (% of track)")).toBeGreaterThan(88);
  expect(Math.abs((await number("Rests at (% of track)")) - 50)).toBeLessThan(1);
});

test("a stick becomes an axis of a game pad, with keys for its buttons; what cannot be is told", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Slew").click();
  const x = section(page, "Slew X on Base");
  await x.getByLabel("It moves").selectOption({ label: "Axis of the game pad" });
  await section(page, "Slew Y on Base").getByLabel("It moves").selectOption({ label: "Axis of the game pad" });
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText('Slew X and Slew Y would report on "Game pad", which the device does not declare.');
  await all.getByRole("button", { name: "Declare Game pad" }).click();
  await expect(all).not.toContainText("would report on");
  await part(page, "Slew").click();

  // Bad input: the ends the wrong way round, a number that is none, and a key that is let go where it is pressed.
  await x.getByRole("button", { name: "How Slew X is read" }).click();
  const field = x.getByLabel("Low end (% of track)");
  await field.fill("70");
  await field.press("Enter");
  await expect(
    page.getByText(/rests at 50 % between 70 % and 93 %; at least 7 % must lie on either side/).first(),
  ).toBeVisible();
  await expect(field).toHaveValue("7");
  await x.getByLabel("Dead zone (% of way)").fill("lots");
  await expect(x).toContainText('"lots" is not a number.');
  await x.getByLabel("Dead zone (% of way)").press("Escape");
  await x.getByRole("button", { name: "Bend it at a point" }).click();
  await expect(x.getByRole("img", { name: /^Course: nothing up to 10 % of the way/ })).toBeVisible();

  await part(page, "Stop").click();
  await tray(page).getByLabel("Pointer, computer or game pad").selectOption({ label: "game pad button" });
  await tray(page).getByLabel("Button", { exact: true }).fill("12");
  await tray(page).getByLabel("Button", { exact: true }).press("Enter");
  await part(page, "Mark").click();
  await tray(page).getByLabel("Pointer, computer or game pad").selectOption({ label: "game pad hat up" });

  await goTo(page, "Reports");
  await section(page, "Game pad").getByLabel("Each axis (bits)").fill("20");
  await expect(section(page, "Game pad")).toContainText("Between 8 and 16 bits.");
  await section(page, "Game pad").getByLabel("Each axis (bits)").fill("12");
  await section(page, "Game pad").getByLabel("Each axis (bits)").press("Enter");
  await expect(page.getByRole("region", { name: "Descriptor of Game pad" })).toContainText("Logical Maximum (2047)");

  await goTo(page, "Try");
  const game = section(page, "What the game reads");
  await expect(game).toContainText("Hat: not pressed");
  await section(page, "Move").getByLabel("Move Slew X, percent of its way").fill("100");
  await expect(game.getByLabel("Axis X 2047", { exact: true })).toBeVisible();
  await section(page, "Move").getByLabel("Move Slew Y, percent of its way").fill("-100");
  await expect(game.getByLabel("Axis Y -2047", { exact: true })).toBeVisible();
  await section(page, "Move").getByRole("button", { name: "Let go of the stick" }).click();
  await expect(game.getByLabel("Axis X 0", { exact: true })).toBeVisible();
  await expect(game).toContainText("untouched: in the middle");
  await part(page, "Stop").hover();
  await page.mouse.down();
  await expect(game.getByLabel("Button 12 down")).toBeVisible();
  await page.mouse.up();
  await expect(game.getByLabel("Button 12 up")).toBeVisible();
  await part(page, "Mark").hover();
  await page.mouse.down();
  await expect(game).toContainText("Hat: up");
  await page.mouse.up();

  // Without a dead zone what scatters is told.
  await goTo(page, "Keymap");
  await part(page, "Slew").click();
  await x.getByRole("button", { name: "How Slew X is read" }).click();
  for (const [name, value] of [
    ["Dead zone (% of way)", "0"],
    ["Still within (% of track)", "0"],
  ]) {
    const own = x.getByLabel(name);
    await own.fill(value);
    await own.press("Enter");
  }
  await goTo(page, "Try");
  await page.getByRole("button", { name: "Close the list of findings" }).click();
  await section(page, "What if").getByRole("checkbox", { name: "Voltages scatter, by up to 3 counts" }).click();
  await expect(game).toContainText(/untouched: X −\d\.\d % to \+\d\.\d %, Y/);
});

test("a click on a stick is a push of its handle", async ({ page }) => {
  await page.goto("/bench/kestrel/try");
  await tap(page, "Slew");
  await expect(section(page, "State")).toContainText(/Reports sent\s*[1-9]/);
});

test("Tern as a game pad: of opposite directions the last counts, and its buttons are told in their order", async ({
  page,
}) => {
  await page.goto("/bench/tern/reports");
  await section(page, "The device declares").getByRole("checkbox", { name: "Game pad" }).click();
  await goTo(page, "Keymap");
  const deed = tray(page).getByLabel("Pointer, computer or game pad");
  for (const [label, side] of [
    ["Left", "left"],
    ["Right", "right"],
    ["Down", "down"],
    ["Up", "up"],
  ]) {
    await part(page, label).click();
    await deed.selectOption({ label: `game pad hat ${side}` });
  }
  await part(page, "Leap").click();
  await deed.selectOption({ label: "game pad button" });
  await expect(page.getByRole("button", { name: "Leap on Base: game pad button 1" })).toBeVisible();

  await goTo(page, "Try");
  const game = section(page, "What the game reads");
  await expect(game).toContainText("Hat: not pressed");
  // One direction is held by focus and Space, the other by the pointer.
  await part(page, "Left").focus();
  await page.keyboard.down("Space");
  await expect(game).toContainText("Hat: left");
  await part(page, "Right").hover();
  await page.mouse.down();
  await expect(game).toContainText("Hat: right");
  await page.mouse.up();
  await page.keyboard.up("Space");
  await expect(game).toContainText("Hat: not pressed");
  await part(page, "Leap").hover();
  await page.mouse.down();
  await expect(game.getByLabel("Button 1 down")).toBeVisible();
  await page.mouse.up();
  await expect(game.getByLabel("Button 1 up")).toBeVisible();
});
