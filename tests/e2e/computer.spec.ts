import { expect, test } from "@playwright/test";
import { middleOf, part, tray } from "./bench";

test("the computer has a window of its own: what is plugged in, what it types, and that it was unplugged", async ({
  page,
  context,
}) => {
  await page.goto("/bench/loom-64/try");
  await expect(tray(page).getByRole("region", { name: "The computer", exact: true })).toContainText("keyboard");
  const [computer] = await Promise.all([
    context.waitForEvent("page"),
    tray(page).getByRole("link", { name: "Let it have a window of its own" }).click(),
  ]);
  await expect(computer.getByRole("heading", { name: "The computer of Loom 64" })).toBeVisible();
  await expect(computer.getByRole("region", { name: "What is plugged in" })).toContainText(/Name\s*Loom 64/);
  await page.bringToFront();
  const { x, y } = await middleOf(part(page, "E"));
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.up();
  await expect(computer.getByRole("textbox", { name: "Typed text" })).toHaveText("e");
  const late = await context.newPage();
  await late.goto("/computer/loom-64");
  await expect(late.getByRole("textbox", { name: "Typed text" })).toHaveText("e");
  await page.close();
  await expect(computer.getByRole("status")).toContainText("Nothing is plugged in.");
  const again = await context.newPage();
  await again.goto("/bench/loom-64/try");
  await expect(computer.getByRole("region", { name: "What is plugged in" })).toBeVisible();
  await expect(computer.getByRole("textbox", { name: "Typed text" })).toHaveText("");
});
