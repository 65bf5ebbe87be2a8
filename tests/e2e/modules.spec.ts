import { type Page, expect, test } from "@playwright/test";
import { goTo, middleOf, part, saved, stage, tap, tray, typed } from "./bench";

const modules = (page: Page) => tray(page).getByRole("region", { name: "Its modules on the bus" });

test("a module is pulled off and put on again while a key of it is held", async ({ page }) => {
  await page.goto("/bench/dunlin/try");
  await expect(modules(page).getByRole("status")).toHaveText("Base hears Jog module and Mark module.");
  const red = await middleOf(part(page, "Red"));
  await page.mouse.move(red.x, red.y);
  await page.mouse.down();
  await expect(typed(page)).toHaveText("1");
  const pulled = modules(page).getByLabel("Mark module is pulled off");
  await pulled.press("Space");
  await expect(modules(page).getByRole("status")).toHaveText("Mark module is pulled off.");
  // Pulled off, it is not heard; what it held was let go, and put on again it tells it anew.
  await expect(modules(page)).toContainText(/Asks without an answer\s*[1-9]/);
  await pulled.press("Space");
  await expect(modules(page).getByRole("status")).toHaveText("Base hears Jog module and Mark module.");
  await expect(typed(page)).toHaveText("11");
  await page.mouse.up();
  await expect(modules(page)).toContainText(/Press to report, Mark module\s*\d+ ms/);

  await modules(page).getByLabel("The bus is cut").press("Space");
  await expect(modules(page).getByRole("status")).toHaveText("Base does not hear Jog module and Mark module.");
});

test("a module loses its controller, gets one on the bus by a click, and all of it is undone", async ({ page }) => {
  await page.goto("/bench/dunlin/wiring");
  await saved(page);
  await tray(page).getByRole("tab", { name: "Apart" }).click();
  const ways = tray(page).getByRole("region", { name: "Ways to Jog module" });
  const bus = ways.getByRole("region", { name: "A module with a controller, on a bus" });
  await expect(bus).toContainText("It is wired so now.");
  await expect(bus).toContainText("1.00 to 3.00 ms");
  const nets = await stage(page, "Wiring").textContent();
  await ways.getByRole("button", { name: "Do without its controller" }).click();
  await expect(bus.getByRole("button", { name: "Wire it so" })).toBeVisible();
  await expect(ways.getByRole("region", { name: "Two controllers, a serial line" })).toContainText(
    "a serial line, or modules on a bus",
  );
  await bus.getByRole("button", { name: "Wire it so" }).click();
  await expect(bus).toContainText("It is wired so now.");
  await expect(stage(page, "Wiring")).toHaveText(nets!);

  await tray(page).getByLabel("Modules call on").selectOption("own");
  await expect(stage(page, "Wiring")).not.toHaveText(nets!);
  await goTo(page, "Try");
  await expect(modules(page)).toContainText("1.00 to 2.00 ms");
  for (let edits = 3; edits > 0; edits--) await page.keyboard.press("Control+z");
  await expect(stage(page, "Wiring")).toHaveText(nets!);
  await expect(modules(page)).toContainText("1.00 to 3.00 ms");
  await expect(modules(page).getByRole("status")).toHaveText("Base hears Jog module and Mark module.");
});

test("a base and its modules are loaded with a finished image each; mixed classes with a project, others in Python", async ({
  page,
}) => {
  await page.goto("/bench/dunlin/pins");
  await page.getByRole("button", { name: "Load it" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("region", { name: "Addresses on the bus" })).toContainText(/Mark module\s*32 hex/);
  await dialog.getByLabel("Part that is loaded now").selectOption("Mark module");
  await dialog.getByRole("button", { name: "Try it without a board" }).click();
  await expect(dialog).toContainText("gave them back without a difference");
  const images = page.waitForEvent("download");
  await dialog.getByRole("button", { name: "Save the files of all parts" }).click();
  expect((await images).suggestedFilename()).toBe("dunlin-images.zip");
  await dialog.getByRole("button", { name: "Close" }).click();

  await tray(page).getByLabel("Which").selectOption({ label: "Mark module" });
  await tray(page)
    .getByRole("button", { name: /^Take the Full-size 3.3 V dual-core/ })
    .click();
  await page.getByRole("button", { name: "Load it" }).click();
  await expect(dialog).toContainText("Modules on a bus need a compiler");
  await expect(dialog).toContainText("make PART=2 for Mark module");
  await expect(dialog.getByRole("region", { name: "Addresses on the bus" })).toContainText(/Mark module\s*32 hex/);
  const download = page.waitForEvent("download");
  await dialog.getByRole("button", { name: "Save the project" }).click();
  expect((await download).suggestedFilename()).toMatch(/dunlin.*\.zip$/);
  await dialog.getByRole("button", { name: "Close" }).click();

  for (const label of ["Base (main)", "Jog module"]) {
    await tray(page).getByLabel("Which").selectOption({ label });
    await tray(page)
      .getByRole("button", { name: /^Take the Full-size 3.3 V dual-core/ })
      .click();
    // The class is taken once its pins are planned; another one taken before would put this one aside.
    await expect(tray(page).getByLabel("Class", { exact: true })).toHaveValue("dual-core-3v3-26");
  }
  await page.getByRole("button", { name: "Load it" }).click();
  await expect(dialog).toContainText("All parts run Python, or none");
  const scans = dialog.getByRole("region", { name: "One scan in Python" });
  await expect(scans).toContainText(/Base\s*[\d.]+ to [\d.]+ ms/);
  await expect(scans).toContainText(
    /waits for modules\s*up to [\d.]+ ms\s*Later, what is not of Base\s*up to [\d.]+ ms/,
  );
  await expect(dialog.getByRole("region", { name: "Addresses on the bus" })).toContainText(/Mark module\s*32 hex/);
  const files = page.waitForEvent("download");
  await dialog.getByRole("button", { name: "Save the files" }).click();
  expect((await files).suggestedFilename()).toMatch(/dunlin.*python.*\.zip$/);
});

test("the schools of reaching a part that lies apart stand side by side in the brief", async ({ page }) => {
  await page.goto("/bench/dunlin/brief");
  const apart = tray(page).getByRole("region", { name: "In several parts" });
  await apart.getByRole("button", { name: "Compare the ways" }).click();
  const table = apart.getByRole("table", { name: "To Jog module" });
  await expect(
    table.getByRole("row", { name: /^A module with a controller, on a bus 5 \d+\/18 [\d.]+ 1\.0–3\.0$/ }),
  ).toBeVisible();
  await expect(table.getByRole("row")).toHaveCount(7);
  await expect(apart.getByRole("table", { name: "To Mark module" })).toBeVisible();
});

test("each half is a device of its own by a click, tried with one plug and the other, and undone", async ({ page }) => {
  await page.goto("/bench/loom-64/wiring");
  await saved(page);
  await tray(page).getByRole("tab", { name: "Apart" }).click();
  const own = tray(page).getByRole("region", { name: "Two devices, a plug each" });
  await own.getByRole("button", { name: "Wire it so" }).click();
  await expect(own).toContainText("It is wired so now.");
  await goTo(page, "Try");
  const plugs = tray(page).getByRole("region", { name: "Devices with plugs of their own" });
  await expect(plugs.getByRole("status")).toContainText("know nothing of each other");
  await tap(page, "W");
  await tap(page, "P");
  await tap(page, "E");
  await expect(typed(page)).toHaveText("we");
  await plugs.getByLabel("The computer’s plug is in").selectOption("1");
  await tap(page, "W");
  await tap(page, "P");
  await tap(page, "O");
  await expect(typed(page)).toHaveText("wepo");

  await page.getByRole("button", { name: "Load it" }).click();
  await expect(page.getByRole("dialog")).toContainText("Each part is a device by itself");
  await page.getByRole("dialog").getByRole("button", { name: "Close" }).click();
  await page.keyboard.press("Control+z");
  await expect(plugs).toHaveCount(0);
  await tap(page, "W");
  await tap(page, "P");
  await expect(typed(page)).toHaveText("wp");
});
