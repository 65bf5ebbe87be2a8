import { firmwareArchive } from "../firmware/firmwareArchive";
import type { Artifact } from "./artifact";
import { designJson } from "./designJson";
import { plateDxf, plateStl, plateSvg } from "./plateFiles";
import { drillCsv, positionsCsv } from "./positionsCsv";
import { legendSheet, printSheets } from "./sheets";
import { reportDescriptorBin, reportDescriptorHex } from "./reportDescriptor";
import { wireListCsv } from "./wireListCsv";

/** Every export, one line each, in the order of the menu. */
export const artifacts: Artifact[] = [
  designJson,
  wireListCsv,
  plateSvg,
  plateDxf,
  plateStl,
  printSheets,
  legendSheet,
  positionsCsv,
  drillCsv,
  reportDescriptorBin,
  reportDescriptorHex,
  firmwareArchive,
];

export const artifactNamed = (id: string): Artifact | undefined => artifacts.find((artifact) => artifact.id === id);
