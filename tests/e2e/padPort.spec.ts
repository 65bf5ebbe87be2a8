import { expect, test } from "@playwright/test";
import { addControl } from "@/core/edits/controls";
import { adoptPinPlan, chooseController } from "@/core/edits/pins";
import { wireAs } from "@/core/edits/wiring";
import { planPins } from "@/core/pins/planPins";
import type { Design } from "@/core/document/schema";
import { handset } from "../support/handset";
import { goTo, openOwn, part, stage, tray } from "./bench";

const withPins = (design: Design) => adoptPinPlan(design, planPins(design));
const at = { xMm: 110, yMm: 20, rotationDeg: 0, boardId: handset.boards[0].id };
const small = chooseController(handset, "large-5v-70");
const adapter = withPins(wireAs(addControl(small, "pad-port", "port", at), "pad-port", ["port:port"]));
const keys = handset.controls.filter(({ kind }) => kind === "key");

test("a pad port is read by its console, its table is the person's own, and what would be read wrongly is told", async ({
  page,
}) => {
  await openOwn(page, adapter, "Reports");
  const section = tray(page).getByRole("region", { name: "Pad port" });
  await section.getByLabel("Bits", { exact: true }).selectOption({ label: "16, two registers in cascade" });
  await section.getByLabel("Bit 1", { exact: true }).selectOption({ label: keys[0].label });
  await section.getByLabel("Bit 2", { exact: true }).selectOption({ label: "always low" });
  for (let nth = 3; nth <= 15; nth++)
    await section.getByLabel(`Bit ${nth}`, { exact: true }).selectOption({ label: "nothing (high)" });
  await section.getByLabel("Bit 16", { exact: true }).selectOption({ label: keys[1].label });
  await expect(section).toContainText(
    "The console looks 6 µs after an edge; at 16 MHz the bit is there after about 5.3 µs",
  );
  await section.getByLabel("Clock period").fill("0");
  await expect(section).toContainText("Between 1 and 1000");
  await section.getByLabel("Clock period").fill("4");
  await section.getByLabel("Clock period").press("Enter");
  await expect(stage(page, "Reports")).toContainText("1 to settle");
  await section.getByLabel("Clock period").fill("20");
  await section.getByLabel("Clock period").press("Enter");
  await expect(stage(page, "Reports")).not.toContainText("to settle");

  await goTo(page, "Try");
  const read = tray(page).getByRole("region", { name: "What the console reads" });
  await expect(read).toContainText("332 µs, every 17 ms");
  await expect(read).toContainText(/Pressed\s*nothing/);
  const strip = read.getByRole("img");
  await expect(strip).toHaveAttribute("aria-label", new RegExp(`${keys[0].label} high, low low, free high`));
  await part(page, keys[1].label).hover();
  await page.mouse.down();
  await expect(read).toContainText(new RegExp(`Pressed\\s*${keys[1].label}`));
  await expect(strip).toHaveAttribute("aria-label", new RegExp(`${keys[1].label} low$`));
  await page.mouse.up();
  await expect(read).toContainText(/Pressed\s*nothing/);
});
