import { expect, test } from "@playwright/test";
import { addControl } from "@/core/edits/controls";
import { adoptPinPlan } from "@/core/edits/pins";
import { shareOutDirect } from "@/core/edits/wiring";
import { planPins } from "@/core/pins/planPins";
import type { Design } from "@/core/document/schema";
import { handset } from "../support/handset";
import { goTo, openOwn, part, tray } from "./bench";

const withPins = (design: Design) => adoptPinPlan(design, planPins(design));
const at = { xMm: 110, yMm: 20, rotationDeg: 0, boardId: handset.boards[0].id };
const beeping = withPins(shareOutDirect(addControl(handset, "buzzer", "beep", at)));

test("a sounder is told what to sound for and how, is heard and seen in Try, and its tone is set in Layout", async ({
  page,
}) => {
  await openOwn(page, beeping, "Keymap");
  await part(page, "B1").click();
  const section = tray(page).getByRole("region", { name: "Buzzer B1" });
  await section.getByLabel("Sounds to tell").selectOption({ label: "that the device runs" });
  await section.getByLabel("It sounds").selectOption({ label: "on and off" });
  await expect(section.getByLabel("Brightness")).toHaveCount(0);
  await expect(section.getByLabel("Strength")).toHaveCount(0);

  await goTo(page, "Try");
  const sounds = tray(page).getByRole("region", { name: "What the device sounds" });
  await expect(sounds).toContainText(/B1\s*(sounds|silent), 2,700 Hz/);
  await sounds.getByLabel("Let me hear it").check();
  await expect(sounds).toContainText("sounds, 2,700 Hz");
  await expect(part(page, "B1")).toHaveAttribute("aria-label", /, sounding$/);
  await expect(sounds).toContainText("silent, 2,700 Hz");

  await goTo(page, "Layout");
  await part(page, "B1").click();
  await tray(page).getByLabel("Tone (Hz)").fill("50");
  await expect(tray(page)).toContainText("Between 100 and 8000");
  await tray(page).getByLabel("Tone (Hz)").fill("440");
  await tray(page).getByLabel("Tone (Hz)").press("Enter");
  await expect(part(page, "B1")).toHaveAttribute("aria-label", /440 Hz/);
  await tray(page).getByText("Sounds by itself when powered").click();
  await expect(part(page, "B1")).toHaveAttribute("aria-label", /its own tone/);
  await goTo(page, "Try");
  await expect(sounds).toContainText("its own tone");
});
