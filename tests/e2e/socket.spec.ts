import { expect, test } from "@playwright/test";
import { addControl } from "@/core/edits/controls";
import { chooseController } from "@/core/edits/pins";
import { bind } from "@/core/edits/keymap";
import { setInterfaces } from "@/core/edits/reportSet";
import { handset } from "../support/handset";
import { goTo, openOwn, part, stage, tray } from "./bench";

const at = { xMm: 110, yMm: 20, rotationDeg: 0, boardId: handset.boards[0].id };
const [first, second] = handset.controls.filter(({ kind }) => kind === "key");
const plays = (design: typeof handset, control: string, note: number) =>
  bind(design, "base", `${control}:press`, { does: "note", note, velocity: 96, channel: 0 });
const onThreeVolt = chooseController(handset, "dual-core-3v3-26");
const box = plays(plays(addControl(onThreeVolt, "music-socket", "socket", at), first.id, 60), second.id, 64);
const placed = setInterfaces(box, []);

test("a music socket is wired, its loop fits the controller, and an instrument hears what is played, without music over USB", async ({
  page,
}) => {
  await openOwn(page, placed, "Wiring");
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  await page
    .getByRole("region", { name: "All findings" })
    .getByRole("button", { name: "Wire 1 part as usual" })
    .click();
  await page.getByRole("button", { name: "Close the list of findings" }).click();
  await goTo(page, "Circuits");
  await expect(stage(page, "Circuits")).not.toContainText("to settle");
  await goTo(page, "Try");
  const heard = tray(page).getByRole("region", { name: "What hangs on the socket" });
  await part(page, first.label).hover();
  await page.mouse.down();
  await expect(heard.getByRole("img", { name: "Sounding: C4" })).toBeVisible();
  await page.mouse.up();
  await expect(heard.getByRole("img", { name: "No note sounds" })).toBeVisible();
  await expect(heard.getByRole("list", { name: "Events over the socket, the newest first" })).toContainText(
    "C4 on, velocity 96, channel 1",
  );
  await expect(heard.getByRole("list", { name: "Bytes on the line, the newest first" })).toContainText("90 3c 60");
});
