import { run, A } from "./zz_shot";
await run(async (page, shot) => {
  await page.goto(A); await page.waitForTimeout(1500);
  await page.getByRole("button", { name: "New device" }).click(); await page.waitForTimeout(1500);
  const u = page.url().replace(/\/[a-z]+$/, "/brief"); await page.goto(u); await page.waitForTimeout(1500);
  await shot("b0");
  for (const [l,v] of [["Keys","12"],["Encoders","2"],["Sticks, 2 axes","1"],["Lamps","4"],["Displays","1"]] as const) { await page.getByLabel(l, { exact: true }).fill(v); await page.keyboard.press("Enter"); }
  await page.waitForTimeout(2500); 
  await page.getByRole("button", { name: /^1\. / }).click();
  await shot("b1");
});
