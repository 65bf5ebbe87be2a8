import { good } from "../document/problem";
import type { Design } from "../document/schema";
import { bytesOf } from "../hid/descriptorWriter";
import { descriptorItems } from "../firmware/descriptorItems";
import { interfaceFaces, interfaceKinds } from "../hid/interfaceKinds";
import { type Artifact, fileStem, utf8 } from "./artifact";

const declared = (design: Design) => interfaceKinds.filter((kind) => design.reportSet.interfaces.includes(kind));

const hex = (bytes: number[]) => bytes.map((byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");

export const reportDescriptorBin: Artifact = {
  id: "report-descriptor-bin",
  title: "Report descriptor, binary",
  purpose: "The descriptors of the declared interfaces, one after the other, as the host receives them.",
  make: async (design) => {
    const bytes = declared(design).flatMap((kind) => [...bytesOf(descriptorItems(design, kind))]);
    return good({
      fileName: `${fileStem(design)}-descriptor.bin`,
      mediaType: "application/octet-stream",
      bytes: Uint8Array.from(bytes),
    });
  },
};

export const reportDescriptorHex: Artifact = {
  id: "report-descriptor-hex",
  title: "Report descriptor, hexadecimal",
  purpose: "The same bytes to read, item by item, each with what it says.",
  make: async (design) => {
    const parts = declared(design).map((kind) => {
      const items = descriptorItems(design, kind);
      const lines = items.map(({ bytes, name, depth }) => `${hex(bytes).padEnd(10)}# ${"  ".repeat(depth)}${name}`);
      return [`# ${interfaceFaces[kind].title}, ${bytesOf(items).length} bytes`, ...lines].join("\n");
    });
    return good({
      fileName: `${fileStem(design)}-descriptor.txt`,
      mediaType: "text/plain",
      bytes: utf8(`${parts.join("\n\n")}\n`),
    });
  },
};
