import AxeBuilder from "@axe-core/playwright";
import { type Page, expect, test } from "@playwright/test";
import { SHELF, goTo, part } from "./bench";

async function hasNoSeriousProblem(page: Page, where: string) {
  const { violations } = await new AxeBuilder({ page })
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
    .analyze();
  const serious = violations
    .filter((violation) => violation.impact === "serious" || violation.impact === "critical")
    .map(
      (violation) =>
        `${violation.id}: ${violation.nodes
          .slice(0, 3)
          .map((node) => `${node.target} ${node.failureSummary}`)
          .join(" | ")}`,
    );
  expect(serious, where).toEqual([]);
}

for (const light of ["light", "dark"] as const) {
  test(`no screen has a serious problem for assistive technology, ${light === "light" ? "day" : "night"} bench`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: light, reducedMotion: "reduce" });
    await page.goto("/");
    await expect(page.getByRole("article")).toHaveCount(SHELF);
    await hasNoSeriousProblem(page, "shelf");
    await page.goto("/bench/kestrel/layout");
    await part(page, "Sync").click();
    for (const stage of [
      "Layout",
      "Wiring",
      "Pins",
      "Circuits",
      "Keymap",
      "Reports",
      "Try",
      "Make",
      "Bring-up",
      "Journal",
      "Practice",
    ]) {
      await goTo(page, stage);
      await expect(page.getByRole("complementary", { name: "Tray" }).getByRole("heading").first()).toBeVisible();
      await hasNoSeriousProblem(page, stage);
    }
    await page.keyboard.press("Control+k");
    await hasNoSeriousProblem(page, "palette");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /findings$/ }).click();
    await hasNoSeriousProblem(page, "tell-tale");
    await goTo(page, "Layout");
    await page.getByRole("button", { name: "Turn to the solder side" }).click();
    await hasNoSeriousProblem(page, "solder side");
    await page.goto("/bench/reedling/circuits");
    for (const sheet of ["Levels", "Time", "Analog", "Drawing"]) {
      await page.getByRole("tab", { name: sheet, exact: true }).click();
      await expect(page.getByRole("tabpanel").getByRole("heading").first()).toBeVisible();
      await hasNoSeriousProblem(page, `circuits, ${sheet}`);
    }
    await page.goto("/bench/reedling/make");
    for (const sheet of ["Time", "Parts", "Stack"]) {
      await page.getByRole("tab", { name: sheet, exact: true }).click();
      await expect(page.getByRole("tabpanel").getByRole("heading").nth(1)).toBeVisible();
      await hasNoSeriousProblem(page, `make, ${sheet}`);
    }
    await page.goto("/bench/kestrel/journal");
    for (const sheet of ["Revisions", "Outcome"]) {
      await page.getByRole("tab", { name: sheet, exact: true }).click();
      await expect(page.getByRole("tabpanel").getByRole("heading").first()).toBeVisible();
      await hasNoSeriousProblem(page, `journal, ${sheet}`);
    }
    await page.goto("/bench/kestrel/practice");
    for (const sheet of ["Days", "Advice"]) {
      await page.getByRole("tab", { name: sheet, exact: true }).click();
      await expect(page.getByRole("tabpanel").getByRole("heading").first()).toBeVisible();
      await hasNoSeriousProblem(page, `practice, ${sheet}`);
    }
    await page.goto("/bench/nowhere/layout");
    await expect(page.getByRole("status")).toBeVisible();
    await hasNoSeriousProblem(page, "nothing on the bench");
  });
}

test("nothing is logged as an error and nothing is fetched from elsewhere", async ({ page }) => {
  const errors: string[] = [];
  const foreign: string[] = [];
  page.on("console", (message) => message.type() === "error" && errors.push(message.text()));
  page.on("pageerror", (error) => errors.push(error.message));
  page.on(
    "request",
    (request) => !/^(http:\/\/127\.0\.0\.1|data:|blob:)/.test(request.url()) && foreign.push(request.url()),
  );
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  await page.goto("/bench/loom-64/layout");
  for (const stage of ["Wiring", "Pins", "Circuits", "Keymap", "Reports", "Try", "Journal", "Practice"])
    await goTo(page, stage);
  expect(errors).toEqual([]);
  expect(foreign).toEqual([]);
});

test("everything fits at 1024 pixels", async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  for (const stage of ["wiring", "journal", "practice"]) {
    await page.goto(`/bench/loom-64/${stage}`);
    await expect(part(page, "Space")).toBeVisible();
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(overflow, stage).toBe(0);
  }
});
