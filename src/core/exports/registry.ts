import { firmwareArchives } from "../formats/firmwareFiles";
import type { Artifact } from "../formats/artifact";
import { designArchive } from "../formats/designArchive";
import { journalCsv } from "../formats/journalCsv";
import { buildBook } from "./buildBook";
import { designJson } from "../formats/designJson";
import { flashImageFile } from "../formats/flashImageFile";
import { case3mf, caseDxf, caseStl, caseSvg } from "../formats/caseFiles";
import { plateDxf, plateStl, plateSvg } from "../formats/plateFiles";
import { circuitCir } from "../formats/circuitCir";
import { partsCsv } from "../formats/partsCsv";
import { labelsSheet } from "../formats/labelsSheet";
import { stepsSheet } from "../formats/stepsSheet";
import { powerCsv } from "../formats/powerCsv";
import { schematicSheetsHtml, schematicSvg } from "../formats/schematic/schematicSvg";
import { drillCsv, positionsCsv } from "../formats/positionsCsv";
import { keymapCard } from "../formats/keymapCard";
import { keymapCsv } from "../formats/keymapCsv";
import { keymapWords } from "../formats/keymapWords";
import { legendSheet, printSheets } from "../formats/sheets";
import { reportDescriptorBin, reportDescriptorHex } from "../formats/reportDescriptor";
import { assemblyCsv } from "../formats/assemblyCsv";
import { netlist356 } from "../formats/netlist356";
import { connectorsCsv, cutListCsv, diodesCsv, netlistCsv, wireListCsv } from "../formats/wireFiles";
import { partsSideSvg, solderSideSvg, wireSheets } from "../formats/wireSheets";

/** Every export, one line each, in the order of the menu. */
export const artifacts: Artifact[] = [
  designJson,
  designArchive,
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
  buildBook,
  journalCsv,
  ...firmwareArchives,
];

export const artifactNamed = (id: string): Artifact | undefined => artifacts.find((artifact) => artifact.id === id);
