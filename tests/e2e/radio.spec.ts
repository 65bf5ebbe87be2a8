import { expect, test } from "@playwright/test";
import { addControl } from "@/core/edits/controls";
import { adoptPinPlan, chooseController } from "@/core/edits/pins";
import { wireAs } from "@/core/edits/wiring";
import { usualSupply } from "@/core/document/supplySettings";
import { planPins } from "@/core/pins/planPins";
import type { Design } from "@/core/document/schema";
import { handset } from "../support/handset";
import { goTo, openOwn, part, stage, tray } from "./bench";

const withPins = (design: Design) => adoptPinPlan(design, planPins(design));
const at = { xMm: 110, yMm: 20, rotationDeg: 0, boardId: handset.boards[0].id };
const on3V3 = chooseController(handset, "dual-core-3v3-26");
const sending = withPins(wireAs(addControl(on3V3, "radio", "air", at), "spi-radio", ["air:radio"]));

test("a radio sends its packet from the start, what the air spoils is refused by the check value, and what it is not by none", async ({
  page,
}) => {
  await openOwn(page, sending, "Try");
  const heard = tray(page).getByRole("region", { name: "What the radio’s receiver hears" });
  const packets = heard.getByRole("list", { name: "Packets, the newest first" });
  await expect(packets.getByRole("listitem").first()).toContainText(/\d+ ms ([0-9A-F]{2} )+/);
  await expect(heard).toContainText("none down");
  const key = part(page, handset.controls.find(({ kind }) => kind === "key")!.label);
  await key.hover();
  await page.mouse.down();
  await expect(heard).not.toContainText("none down");
  await page.mouse.up();
  await expect(heard).toContainText("none down");

  await heard.getByLabel("One byte in 40 comes otherwise than it was sent").check();
  await heard.getByLabel("One packet in 10 does not come at all").check();
  await expect(packets).toContainText("did not come");
  await expect(packets).toContainText(/not taken: its check value is ([0-9A-F]{2} )?[0-9A-F]{2}, not /);
  await expect(heard).toContainText(/Taken though wrong\s*0/);

  await goTo(page, "Reports");
  const section = tray(page).getByRole("region", { name: "Radio packet" });
  await expect(section.getByLabel("Last packet")).toContainText(/^([0-9A-F]{2} ?)+$/);
  await section.getByLabel("Framed").hover();
  await section.getByLabel("Framed").selectOption({ label: "between characters of your own, for a stream" });
  await expect(section.getByLabel("Last packet")).toContainText(/^3C .* 3E$/);
  await section.getByLabel("Start (<)").fill("XY");
  await expect(section).toContainText("Two digits from 0 to 9 and A to F.");
  await section.getByLabel("Start (<)").fill("5C");
  await section.getByLabel("Start (<)").press("Enter");
  await expect(page.getByText("start and escape are the same byte").first()).toBeVisible();
  await expect(stage(page, "Reports")).toContainText("1 to settle");
  await section.getByLabel("Framed").selectOption({ label: "without a zero, which ends it (COBS), for a stream" });
  await section.getByLabel("Check value").selectOption({ label: "none" });
  await expect(page.getByText("The packet can be misread: it has no check value").first()).toBeVisible();
  await section.getByLabel("From one to the next at least").fill("0");
  await expect(section).toContainText("Between 1 and 250");
  await section.getByLabel("From one to the next at least").fill("5");
  await section.getByLabel("From one to the next at least").press("Enter");

  await goTo(page, "Try");
  await expect(packets).toContainText("taken, though it is wrong");
});

test("a battery that is measured is emptied in Try: its receiver hears what is left, by the cell's own curve", async ({
  page,
}) => {
  const cell = { kind: "battery", cell: "lithium-ion", series: 1, capacityMah: 1000, cutOffV: 3.3 } as const;
  const measured = { topOhm: 100_000, bottomOhm: 100_000 };
  const onCell = withPins({ ...sending, supply: { ...usualSupply, source: cell, measured } });
  await openOwn(page, onCell, "Try");
  const heard = tray(page).getByRole("region", { name: "What the radio’s receiver hears" });
  await expect(heard).toContainText(/Battery\s*100 %/);
  const slider = tray(page).getByLabel("Move Battery, percent of its way");
  await slider.fill("50");
  await expect(tray(page)).toContainText("46 % of what can be used is left.");
  await expect(tray(page)).toContainText("3.75 V");
  await expect(heard).toContainText(/Battery\s*4[5678] %/);
  await slider.fill("0");
  await expect(heard).toContainText(/Battery\s*0 %/);
});
