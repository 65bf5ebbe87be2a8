import { readFileSync, writeFileSync } from "node:fs";
import { readDesign } from "/work/main/src/core/design/readDesign";
import { artifacts } from "/work/main/src/core/formats/registry";
import { readDxf } from "/work/main/src/core/formats/dxfIn";
import { readSvg } from "/work/main/src/core/formats/svgIn";
import { layoutFromDrawing } from "/work/main/src/core/formats/layoutFromDrawing";
for (const n of ["kestrel","loom-64"]) { const r=readDesign(JSON.parse(readFileSync(`/work/main/demo/${n}.json`,"utf8"))); if(!r.ok) throw 1; const d=r.value;
 for (const id of ["plate-svg","plate-dxf","plate-stl","print-sheets","legend-sheet","positions-csv","drill-csv"]) { const t=performance.now(); const a=await artifacts.find(x=>x.id===id)!.make(d); if(!a.ok){console.log(id,a.problems);continue;} writeFileSync("/tmp/out-"+a.value.fileName,a.value.bytes); console.log(id,a.value.bytes.length,(performance.now()-t).toFixed(0)+"ms");
  if(id==="plate-svg"||id==="plate-dxf"){ const text=new TextDecoder().decode(a.value.bytes); const g=id==="plate-svg"?readSvg(text):readDxf(text); if(!g.ok){console.log(g.problems);continue;} const l=layoutFromDrawing(g.value,d.pitch); let worst=0,bad=0; for(const c of d.controls){ const m=l.rows.find(x=>x.label===c.label); if(!m){bad++;continue;} worst=Math.max(worst,Math.hypot(m.xMm-c.placement.xMm,m.yMm-c.placement.yMm),Math.abs(m.rotationDeg-c.placement.rotationDeg)); if(m.kind!==c.kind|| (c.kind==="key"&&(m.widthU!==c.widthU||m.heightU!==c.heightU))) bad++; } console.log(l.rows.length,d.controls.length,worst,bad,g.value.problems, l.notes);
   const stripped={...g.value,texts:[],rings:g.value.rings.map(r=>({...r,layer:"0"}))}; const l2=layoutFromDrawing(stripped,d.pitch); console.log("generic",l2.rows.length,l2.notes, l2.rows.filter(x=>x.kind==="key").length); }
 }
 // watertight
 const bytes=readFileSync(`/tmp/out-${n}-plate.stl`); const tri=bytes.readUInt32LE(80); const edges=new Map<string,number>(); let vol=0; for(let i=0;i<tri;i++){ const p=[0,1,2].map(k=>[0,1,2].map(a=>bytes.readFloatLE(84+50*i+12+k*12+a*4))); vol+= (p[0][0]*(p[1][1]*p[2][2]-p[1][2]*p[2][1])-p[0][1]*(p[1][0]*p[2][2]-p[1][2]*p[2][0])+p[0][2]*(p[1][0]*p[2][1]-p[1][1]*p[2][0]))/6; for(let k=0;k<3;k++){ const a=p[k].join(),b=p[(k+1)%3].join(); edges.set(a+"|"+b,(edges.get(a+"|"+b)??0)+1);} } let open=0; for(const [k,c] of edges){ const [a,b]=k.split("|"); if(c!==1||edges.get(b+"|"+a)!==1) open++; } console.log("stl",tri,"open edges",open,"vol",vol.toFixed(0));
}
