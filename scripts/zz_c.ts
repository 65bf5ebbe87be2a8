import { run, A } from "./zz_shot";
run(async (page) => {
  const list: [string, number][] = []; const c = await page.context().newCDPSession(page); await c.send("Network.enable"); const url=new Map<string,string>(); c.on("Network.responseReceived",({requestId,type,response}:any)=>type==="Script"&&url.set(requestId,response.url)); c.on("Network.loadingFinished",({requestId,encodedDataLength}:any)=>{ if(url.has(requestId)) list.push([url.get(requestId)!.split("/").pop()!, encodedDataLength]); }); await page.goto(A+"/bench/kestrel/layout"); await page.waitForTimeout(3000);
  for (const [n,b] of list.sort((a,b)=>b[1]-a[1])) console.log(n, (b/1024).toFixed(1));
});
