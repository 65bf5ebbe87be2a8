import { strToU8, zipSync } from "fflate";
import type { Mesh } from "../cases/mesh";
import { FILE_DATE } from "./artifact";
import { escapeXml } from "./svgText";

/** A body by its name and what it is made of, and where it is put. */
export interface Body3mf {
  name: string;
  mesh: Mesh;
  xMm: number;
  yMm: number;
}

const num = (value: number) => String(Math.round(value * 1e5) / 1e5);

function objectXml({ name, mesh: { corners, triangles } }: Body3mf, nth: number): string {
  const vertices: string[] = [];
  for (let at = 0; at < corners.length; at += 3)
    vertices.push(`<vertex x="${num(corners[at])}" y="${num(corners[at + 1])}" z="${num(corners[at + 2])}"/>`);
  const faces: string[] = [];
  for (let at = 0; at < triangles.length; at += 3)
    faces.push(`<triangle v1="${triangles[at]}" v2="${triangles[at + 1]}" v3="${triangles[at + 2]}"/>`);
  return [
    `<object id="${nth + 1}" type="model" name="${escapeXml(name)}"><mesh><vertices>`,
    vertices.join("\n"),
    "</vertices><triangles>",
    faces.join("\n"),
    "</triangles></mesh></object>",
  ].join("\n");
}

const itemXml = ({ xMm, yMm }: Body3mf, nth: number) =>
  `<item objectid="${nth + 1}" transform="1 0 0 0 1 0 0 0 1 ${num(xMm)} ${num(yMm)} 0"/>`;

const CONTENT_TYPES = `<?xml version="1.0" encoding="UTF-8"?>
<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>
`;
const RELATIONS = `<?xml version="1.0" encoding="UTF-8"?>
<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>
`;

/** Bodies as a 3MF package (3MF core specification, version 1): millimetres, one object a body, each put where it is told. */
export function threeMf(title: string, bodies: Body3mf[]): Uint8Array {
  const model = `<?xml version="1.0" encoding="UTF-8"?>
<model unit="millimeter" xml:lang="en-US" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02">
<metadata name="Title">${escapeXml(title)}</metadata>
<resources>
${bodies.map(objectXml).join("\n")}
</resources>
<build>
${bodies.map(itemXml).join("\n")}
</build>
</model>
`;
  return zipSync(
    {
      "[Content_Types].xml": strToU8(CONTENT_TYPES),
      "_rels/.rels": strToU8(RELATIONS),
      "3D/3dmodel.model": strToU8(model),
    },
    { mtime: FILE_DATE, level: 6 },
  );
}
