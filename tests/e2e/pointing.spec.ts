import { type Page, expect, test } from "@playwright/test";
import { goTo, part, saved, tap, tray, typed } from "./bench";

const deeds = (page: Page) => page.getByRole("list", { name: "Other things the computer was told" });
const does = (page: Page) => page.getByRole("status", { name: "What it does" });
const pick = (page: Page, label: string) =>
  tray(page).getByLabel("Pointer, computer or game pad").selectOption({ label });

test("keys that move the pointer, press its buttons and put the computer to sleep are bound, declared and tried", async ({
  page,
}) => {
  await page.goto("/bench/tern/keymap");
  const [mover, button, sleeper, wheel] = ["Leap", "Duck", "Peck", "Dive"];
  await part(page, mover).click();
  await pick(page, "pointer right");
  await expect(does(page)).toHaveText("pointer right");
  const speed = tray(page).getByLabel("Top speed (counts/s)");
  await speed.fill("9000");
  await expect(tray(page)).toContainText("Between 10 and 7999 counts/s.");
  await speed.fill("1000");
  await speed.press("Enter");
  await tray(page).getByLabel("It is reached").selectOption({ label: "at once" });
  await part(page, button).click();
  await pick(page, "secondary button");
  await part(page, sleeper).click();
  await pick(page, "System Sleep");
  await part(page, wheel).click();
  await pick(page, "wheel down");
  await expect(does(page)).toHaveText("wheel down");

  // The device declares a keyboard alone so far: the rule says so, and its cure declares what is missing.
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  for (const kind of ["Pointer", "System control"]) {
    const cure = page.getByRole("region", { name: "All findings" }).getByRole("button", { name: `Declare ${kind}` });
    await cure.click();
    await expect(cure).toHaveCount(0);
  }
  await saved(page);

  await goTo(page, "Reports");
  await expect(page.getByText("Usage (Mouse)", { exact: true })).toBeVisible();
  await expect(page.getByText("Usage (System Control)", { exact: true })).toBeVisible();

  await goTo(page, "Try");
  await tap(page, mover);
  await expect(deeds(page)).toContainText(/pointer \d+ right/);
  const area = tray(page).getByRole("region", { name: "What the pointer does" });
  await expect(area.getByRole("img", { name: /^Pointer at [1-9]\d* right, 0 down$/ })).toBeVisible();
  await tap(page, button);
  await expect(deeds(page)).toContainText("secondary button let go");
  await tap(page, wheel);
  await expect(deeds(page)).toContainText("wheel down 1");
  await expect(area).toContainText("Wheel1 down, –");
  await tap(page, sleeper);
  await expect(deeds(page)).toContainText("System Sleep");
});

test("a key puts the pointer somewhere on the screen, and reports share what endpoints there may be", async ({
  page,
}) => {
  await page.goto("/bench/tern/keymap");
  await part(page, "Leap").click();
  await pick(page, "pointer to a place");
  await expect(does(page)).toHaveText("pointer to 50 % across, 50 % down");
  const across = tray(page).getByLabel("From the left edge (%)");
  await across.fill("101");
  await expect(tray(page)).toContainText("Between 0 and 100 %.");
  await across.fill("12.5");
  await across.press("Enter");
  await expect(does(page)).toHaveText("pointer to 12.5 % across, 50 % down");
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const cure = page
    .getByRole("region", { name: "All findings" })
    .getByRole("button", { name: "Declare Place on the screen" });
  await cure.click();
  await expect(cure).toHaveCount(0);
  await saved(page);

  await goTo(page, "Try");
  await tap(page, "Leap");
  await expect(deeds(page)).toContainText("pointer at 12.5 % across, 50.0 % down");
  const area = tray(page).getByRole("region", { name: "What the pointer does" });
  await expect(area).toContainText("Put at12.5 %, 50.0 %");

  await goTo(page, "Reports");
  const bus = tray(page).getByRole("region", { name: "On the bus" });
  await expect(bus).toContainText("Place on the screenendpoint");
  await tray(page).getByRole("checkbox", { name: "Consumer control" }).check();
  const most = bus.getByLabel(/^Endpoints taken at most/);
  await most.fill("16");
  await expect(bus).toContainText(/Between 1 and \d+/);
  await most.fill("2");
  await most.press("Enter");
  await expect(bus).toContainText("Consumer control (1)");
  await expect(bus).toContainText("Place on the screen (");
  await expect(page.getByText("Report ID (1)", { exact: true })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(most).toHaveValue("2");
});

test("a flip back does another thing, and what is told of a knob is set", async ({ page }) => {
  await page.goto("/bench/glasshouse/keymap");
  await part(page, "Vent 2").click();
  await tray(page).getByLabel("Movement").selectOption({ label: "Vent 2 flipped back" });
  await expect(does(page)).toHaveText("Left Shift + D");
  await tray(page).getByRole("button", { name: "Clear", exact: true }).click();
  await expect(does(page)).toHaveText("nothing yet");

  await part(page, "Warmth").click();
  const steps = tray(page).getByRole("region", { name: "Steps of Warmth outer" });
  await expect(steps).toContainText("Turned fast, up to");
  await steps.getByLabel("It is told (times)").fill("9");
  await expect(steps).toContainText("Between 1 and 8 times.");
  await steps.getByLabel("It is told (times)").fill("2");
  await steps.getByLabel("It is told (times)").press("Enter");
  await expect(steps).toContainText("One felt step takes at most 18 ms to tell.");
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(steps).toContainText("One felt step takes at most 9 ms to tell.");

  await goTo(page, "Try");
  await tap(page, "Vent 1");
  await expect(typed(page)).toHaveText("a");
  await tap(page, "Vent 1");
  await expect(typed(page)).toHaveText("aA");
  // Bound to nothing any more, the other one's flip back does as its flip.
  await tap(page, "Vent 2");
  await tap(page, "Vent 2");
  await expect(typed(page)).toHaveText("aAdd");
});

test("a lamp shows how far a knob is turned", async ({ page }) => {
  await page.goto("/bench/reedling/keymap");
  await part(page, "Ready").click();
  await tray(page).getByLabel("Shows").selectOption({ label: "how far the value of Volume is" });
  await tray(page).getByLabel("Lit from, of 127").fill("6");
  await tray(page).getByLabel("Lit from, of 127").press("Enter");
  await saved(page);
  await goTo(page, "Try");
  const clockwise = tray(page).getByRole("button", { name: "Turn Volume clockwise" });
  await expect(part(page, "Ready")).not.toHaveAccessibleName(/, lit$/);
  await clockwise.click();
  await clockwise.click();
  await expect(part(page, "Ready")).toHaveAccessibleName(/, lit$/);
});
