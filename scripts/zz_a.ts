import { run, A } from "./zz_shot";
await run(async (page, shot) => {
  await page.goto(A+"/bench/loom-64/layout"); await page.waitForTimeout(2000); await shot("l0");
  await page.getByRole("tab", { name: "Boards" }).click(); await page.waitForTimeout(800); await shot("l1");
  await page.getByRole("tab", { name: "Fit" }).click(); await page.waitForTimeout(800); await shot("l2");
  await page.getByRole("tab", { name: "Caps" }).click(); await page.waitForTimeout(800);
  await page.getByRole("tab", { name: "Reach" }).click(); await page.waitForTimeout(800);
  await page.getByRole("button", { name: "Take them from the keymap" }).click(); await page.getByRole("button", { name: "Take an example" }).click(); await page.waitForTimeout(500); await page.getByRole("region", { name: "What it takes" }).scrollIntoViewIfNeeded().catch(()=>{}); await page.getByLabel("Worst movements").scrollIntoViewIfNeeded(); await shot("l3");
});
