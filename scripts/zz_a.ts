import { run, A } from "./zz_shot";
run(async (page, shot) => {
  const sizes: string[] = [];
  for (const s of ["brief","layout","pins","try"]) { const c = await page.context().newCDPSession(page); await c.send("Network.enable"); await c.send("Network.clearBrowserCache"); let bytes=0; const sc=new Set<string>(); c.on("Network.responseReceived",({requestId,type}:any)=>type==="Script"&&sc.add(requestId)); c.on("Network.loadingFinished",({requestId,encodedDataLength}:any)=>{ if(sc.has(requestId)) bytes+=encodedDataLength; }); await page.goto(A+"/bench/kestrel/"+s); await page.waitForTimeout(2500); sizes.push(s+" "+(bytes/1024).toFixed(0)); await c.detach(); }
  console.log(sizes.join(", "));
  await page.goto(A+"/bench/glasshouse/brief"); await page.waitForTimeout(2500); await page.getByRole("button",{name:/^1\. /}).click(); await page.waitForTimeout(300); await shot("g0");
  await page.goto(A+"/bench/glasshouse/layout"); await page.waitForTimeout(1500); await shot("g1");
  await page.getByRole("tab",{name:"Fit"}).click(); await page.getByRole("button",{name:/^Look for a seam/}).click(); await page.waitForTimeout(2500); await shot("g2");
  await page.goto(A+"/bench/loom-64/layout"); await page.getByRole("tab",{name:"Caps"}).click(); await page.waitForTimeout(800); await shot("g3");
  await page.getByRole("button",{name:"Legends"}).click(); await page.waitForTimeout(400); await shot("g4");
  await page.goto(A+"/bench/tern/layout"); await page.waitForTimeout(1500); await shot("g5");
  await page.goto(A+"/bench/kestrel/pins"); await page.getByRole("button",{name:"Write a class of my own"}).click(); await page.waitForTimeout(900); await page.getByRole("button",{name:"Pad P9",exact:true}).focus(); await page.keyboard.press("Enter"); await page.waitForTimeout(200); await shot("g6");
});
