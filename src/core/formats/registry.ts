import { firmwareArchive } from "../firmware/firmwareArchive";
import type { Artifact } from "./artifact";
import { designJson } from "./designJson";
import { reportDescriptorBin, reportDescriptorHex } from "./reportDescriptor";
import { wireListCsv } from "./wireListCsv";

/** Every export, one line each, in the order of the menu. */
export const artifacts: Artifact[] = [
  designJson,
  wireListCsv,
  reportDescriptorBin,
  reportDescriptorHex,
  firmwareArchive,
];

export const artifactNamed = (id: string): Artifact | undefined => artifacts.find((artifact) => artifact.id === id);
