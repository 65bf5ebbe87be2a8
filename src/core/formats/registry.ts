import { firmwareArchives } from "./firmwareFiles";
import type { Artifact } from "./artifact";
import { designJson } from "./designJson";
import { flashImageFile } from "./flashImageFile";
import { case3mf, caseDxf, caseStl, caseSvg } from "./caseFiles";
import { plateDxf, plateStl, plateSvg } from "./plateFiles";
import { circuitCir } from "./circuitCir";
import { partsCsv } from "./partsCsv";
import { labelsSheet } from "./labelsSheet";
import { stepsSheet } from "./stepsSheet";
import { powerCsv } from "./powerCsv";
import { schematicSheetsHtml, schematicSvg } from "./schematic/schematicSvg";
import { drillCsv, positionsCsv } from "./positionsCsv";
import { keymapCard } from "./keymapCard";
import { keymapCsv } from "./keymapCsv";
import { keymapWords } from "./keymapWords";
import { legendSheet, printSheets } from "./sheets";
import { reportDescriptorBin, reportDescriptorHex } from "./reportDescriptor";
import { assemblyCsv } from "./assemblyCsv";
import { netlist356 } from "./netlist356";
import { connectorsCsv, cutListCsv, diodesCsv, netlistCsv, wireListCsv } from "./wireFiles";
import { partsSideSvg, solderSideSvg, wireSheets } from "./wireSheets";

/** Every export, one line each, in the order of the menu. */
export const artifacts: Artifact[] = [
  designJson,
  wireListCsv,
  wireSheets,
  solderSideSvg,
  partsSideSvg,
  cutListCsv,
  connectorsCsv,
  diodesCsv,
  netlist356,
  netlistCsv,
  assemblyCsv,
  partsCsv,
  stepsSheet,
  labelsSheet,
  plateSvg,
  plateDxf,
  plateStl,
  caseStl,
  case3mf,
  caseDxf,
  caseSvg,
  printSheets,
  legendSheet,
  keymapCard,
  keymapCsv,
  keymapWords,
  positionsCsv,
  drillCsv,
  powerCsv,
  circuitCir,
  schematicSvg,
  schematicSheetsHtml,
  reportDescriptorBin,
  reportDescriptorHex,
  flashImageFile,
  ...firmwareArchives,
];

export const artifactNamed = (id: string): Artifact | undefined => artifacts.find((artifact) => artifact.id === id);
