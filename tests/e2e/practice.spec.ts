import { zipSync, strToU8 } from "fflate";
import { type Locator, type Page, expect, test } from "@playwright/test";
import { goTo, mat, tap, tray } from "./bench";

const line = (page: Page): Locator => page.getByRole("textbox", { name: "Line to type" });
const outcome = (page: Page): Locator => page.getByRole("status", { name: "How it went" });
const asked = (page: Page): Locator => page.getByRole("status", { name: "Asked for" });
/** Opens the stage and has a line to type. */
async function toType(page: Page): Promise<void> {
  await page.goto("/bench/loom-64/practice");
  await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: "Begin" }).click();
  await expect(line(page)).toBeFocused();
}
const onCable = (page: Page) => tray(page).getByRole("combobox", { name: "On", exact: true }).selectOption("device");

/** Types the line that is wanted, a sign at a time. */
async function typeLine(page: Page, wrong = 0): Promise<void> {
  const words = (await line(page).textContent())!;
  await line(page).focus();
  for (const [nth, sign] of [...words].entries()) {
    if (nth < wrong) {
      await page.keyboard.press("#");
      await page.keyboard.press("Backspace");
    }
    await page.keyboard.press(sign === " " ? "Space" : sign);
  }
}

test("a week of practice: each day a line, speed and errors by day, by sign and by finger, kept over a reload", async ({
  page,
}) => {
  await page.clock.install({ time: new Date("2026-03-02T18:00:00") });
  await toType(page);
  await onCable(page);
  for (let day = 2; day <= 8; day++) {
    await page.clock.setSystemTime(new Date(`2026-03-0${day}T18:00:00`));
    await typeLine(page, 9 - day);
    await expect(outcome(page)).toBeVisible();
    await line(page).press("Enter");
    await expect(outcome(page)).toBeHidden();
  }
  await tray(page).getByRole("tab", { name: "Days" }).click();
  const speed = page.getByRole("img", { name: /^Words a minute by day/ });
  for (let day = 2; day <= 8; day++) await expect(speed).toHaveAttribute("aria-label", new RegExp(`03-0${day}: `));
  const errors = (await page.getByRole("img", { name: /^Errors in all by day/ }).getAttribute("aria-label"))!;
  const shares = [...errors.matchAll(/03-0\d: ([\d.]+)/g)].map(([, share]) => Number(share));
  expect(shares).toHaveLength(7);
  // Seven wrong ones on the first day, one on the last: each day fewer.
  expect(shares).toEqual([...shares].sort((a, b) => b - a));
  expect(shares[0]).toBeGreaterThan(2 * shares[6]);
  await expect(
    tray(page)
      .getByRole("table", { name: "By finger" })
      .getByRole("row", { name: /left index/ }),
  ).toBeVisible();
  const one = page.getByRole("combobox", { name: "From day to day, of" });
  await expect(page.getByRole("img", { name: /^Wrong by day, (left|right) / })).toHaveAttribute(
    "aria-label",
    /03-02: .*03-08: /,
  );
  await one.selectOption("sign a");
  await expect(page.getByRole("img", { name: /^ms by day, a/ })).toBeVisible();
  await page.reload();
  await tray(page).getByRole("tab", { name: "Days" }).click();
  await expect(speed).toHaveAttribute("aria-label", /03-02: .*03-08: /);
  await expect(page.getByRole("img", { name: /^Wrong by sign/ })).toBeVisible();
});

test("a line is typed on the simulated device, what is wrong is taken back, and the next key is lit", async ({
  page,
}) => {
  await toType(page);
  const words = (await line(page).textContent())!;
  await line(page).focus();
  const first = words[0];
  await expect(mat(page).locator("[data-wanted]")).toHaveCount(1);
  const lit = await mat(page).locator("[data-wanted]").getAttribute("data-wanted");
  await page.keyboard.press("z", { delay: 60 });
  await expect(mat(page).locator("[data-wanted]")).not.toHaveAttribute("data-wanted", lit!);
  await page.keyboard.press("Backspace", { delay: 60 });
  await expect(mat(page).locator("[data-wanted]")).toHaveAttribute("data-wanted", lit!);
  for (const sign of words) await page.keyboard.press(sign === " " ? "Space" : sign, { delay: 30 });
  await expect(outcome(page)).toContainText("words a minute");
  await expect(outcome(page)).toContainText(first);
  // Whatever the speed of the machine: one sign was wrong and is mended, none is left.
  const left = await outcome(page).getByText("of them left standing").locator("..").textContent();
  expect(left).toContain("0.0 %");
});

test("where a sign is stands in words and lights on the mat; capitals tell what is held", async ({ page }) => {
  await toType(page);
  const where = tray(page).getByRole("textbox", { name: "Where is" });
  await where.fill("m");
  await expect(tray(page).getByRole("status", { name: "Where it is" })).toHaveText(/^On M, with the right index\.$/);
  const wanted = mat(page).locator("[data-wanted]");
  await expect(wanted).toHaveCount(1);
  await where.fill("M");
  await expect(tray(page).getByRole("status", { name: "Where it is" })).toHaveText(
    /^On M, with the right index, while .* is held\.$/,
  );
  await where.fill("€");
  await expect(tray(page).getByRole("status", { name: "Where it is" })).toHaveText("No key types €.");
  await expect(wanted).toHaveCount(0);
});

test("what is named is pressed on the mat, a wrong one counts, and the bout stands in the days", async ({ page }) => {
  await page.goto("/bench/tern/practice");
  await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: "Begin" }).click();
  const other = (await asked(page).textContent()) === "Begin" ? "Pause" : "Begin";
  await tap(page, other);
  await expect(page.getByText(/that was another one/)).toBeVisible();
  for (let nth = 0; nth < 20; nth++) {
    await expect(page.getByText(new RegExp(`^${nth} of 20`))).toBeVisible();
    await tap(page, (await asked(page).textContent())!);
  }
  await expect(outcome(page)).toContainText("1 of 20");
  await tray(page).getByRole("tab", { name: "Days" }).click();
  await expect(page.getByRole("img", { name: /^ms to the named part by day/ })).toBeVisible();
});

test("a knob is turned by feel, and how far it was off is told", async ({ page }) => {
  await page.goto("/bench/kestrel/practice");
  await tray(page).getByRole("combobox", { name: "What" }).selectOption("turn");
  await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: "Begin" }).click();
  for (let nth = 0; nth < 8; nth++) {
    const words = (await asked(page).textContent())!;
    const [, name, steps, way] = /^(\S+).*: (\d+) steps? (clockwise|anticlockwise)$/.exec(words)!;
    const knob = mat(page).getByRole("button", { name: new RegExp(`^Encoder ${name},`) });
    await knob.focus();
    // One too few in the first turn, the others right.
    for (let step = nth === 0 ? 1 : 0; step < Number(steps); step++)
      await page.keyboard.press(way === "clockwise" ? "PageUp" : "PageDown");
    await page.getByRole("button", { name: "It is there" }).click();
  }
  await expect(outcome(page)).toContainText("0.1");
});

test("a mark is followed with the stick, and how far off it was is told", async ({ page }) => {
  await page.goto("/bench/kestrel/practice");
  await tray(page).getByRole("combobox", { name: "What" }).selectOption("follow");
  await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: "Begin" }).click();
  await expect(page.getByText(/^\d+ s left$/)).toBeVisible();
  await expect(outcome(page)).toHaveText(/^[1-9]\d*% of half the way, off on the average$/);
  await tray(page).getByRole("tab", { name: "Days" }).click();
  await expect(tray(page).getByText("bouts", { exact: true }).locator("..")).toContainText("1");
});

test("a hidden fault is looked for with tests of one's own, and scored against the best line", async ({ page }) => {
  await page.goto("/bench/tern/practice");
  await tray(page).getByRole("combobox", { name: "What" }).selectOption("find");
  await page.getByRole("button", { name: "Hide a fault" }).click();
  await page.getByRole("textbox", { name: "Make a test" }).fill("press begin");
  await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: /Begin/ }).first().click();
  await expect(page.getByRole("table", { name: "Tests made" }).getByRole("row")).toHaveCount(2);
  await page.getByRole("button", { name: "I give up" }).click();
  await expect(outcome(page)).toHaveText(/^It was .+\.$/);
  await expect(page.getByText("of the best line of tests")).toBeVisible();
  await tray(page).getByRole("tab", { name: "Days" }).click();
  await expect(tray(page).getByText("named right").locator("..")).toContainText("0 of 1");
});

test("a key that stays slow may change places, with what it saves and costs; the change is one step", async ({
  page,
}) => {
  const design = (await (await page.request.get("/api/demos/loom-64")).json()) as object;
  const tally = (tries: number, ms: number) => ({ tries, errors: 0, rightMs: tries * ms });
  const runs = [1, 2, 3, 4].map((day) => ({
    id: `r${day}`,
    at: `2026-03-0${day}T18:00:00.000Z`,
    sort: "type",
    seconds: 60,
    of: { e: tally(60, 520), t: tally(40, 210), q: tally(12, 200) },
  }));
  const bytes = zipSync({
    "design.ovrin.json": strToU8(JSON.stringify({ ...design, id: "practised", name: "Practised" })),
    "practice.json": strToU8(JSON.stringify(runs)),
  });
  await page.goto("/");
  await page
    .getByLabel("Design files")
    .setInputFiles({ name: "p.zip", mimeType: "application/zip", buffer: Buffer.from(bytes) });
  await expect(page.getByRole("article", { name: "Practised" })).toBeVisible();
  await page.goto("/bench/practised/practice");
  await tray(page).getByRole("tab", { name: "Advice" }).click();
  await expect(tray(page).getByText("e and q could change places")).toBeVisible();
  await expect(tray(page).getByText(/it has paid for itself after/)).toBeVisible();
  await tray(page).getByRole("button", { name: "Note it as a regret" }).first().click();
  await tray(page).getByRole("button", { name: "Let them change places" }).first().click();
  await goTo(page, "Journal");
  await expect(page.getByRole("table", { name: "Journal" }).getByText(/e stays slow where it is/)).toBeVisible();
  await goTo(page, "Practice");
  await tray(page).getByRole("tab", { name: "Drill" }).click();
  await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: "Begin" }).click();
  await tray(page).getByRole("textbox", { name: "Where is" }).fill("e");
  await expect(tray(page).getByRole("status", { name: "Where it is" })).toHaveText(/^On Q, /);
});
