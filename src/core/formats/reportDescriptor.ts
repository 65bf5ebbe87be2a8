import { good } from "../document/problem";
import type { Design } from "../document/schema";
import { bytesOf } from "../hid/descriptorWriter";
import type { DescriptorItem } from "../hid/descriptorItem";
import { serialItems } from "../hid/serialInterfaces";
import { descriptorItems } from "../firmware/descriptorItems";
import { usbLayoutOf } from "../firmware/endpoints";
import { interfaceFaces, interfaceKinds } from "../hid/interfaceKinds";
import { type Artifact, fileStem, utf8 } from "./artifact";

const declared = (design: Design) => interfaceKinds.filter((kind) => design.reportSet.interfaces.includes(kind));

interface Described {
  title: string;
  items: DescriptorItem[];
}

/** Of each declared interface, and of the serial port behind them. */
function describedBy(design: Design): Described[] {
  const { serial } = usbLayoutOf(design);
  return [
    ...declared(design).map((kind) => ({ title: interfaceFaces[kind].title, items: descriptorItems(design, kind) })),
    ...(serial ? [{ title: "Serial port for lines", items: serialItems(serial.interface, serial.endpoint) }] : []),
  ];
}

const hex = (bytes: number[]) => bytes.map((byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");

export const reportDescriptorBin: Artifact = {
  id: "report-descriptor-bin",
  title: "Report descriptor, binary",
  purpose: "The descriptors of the declared interfaces, one after the other, as the host receives them.",
  make: async (design) => {
    const bytes = describedBy(design).flatMap(({ items }) => [...bytesOf(items)]);
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
    const parts = describedBy(design).map(({ title, items }) => {
      const lines = items.map(({ bytes, name, depth }) => `${hex(bytes).padEnd(10)}# ${"  ".repeat(depth)}${name}`);
      return [`# ${title}, ${bytesOf(items).length} bytes`, ...lines].join("\n");
    });
    return good({
      fileName: `${fileStem(design)}-descriptor.txt`,
      mediaType: "text/plain",
      bytes: utf8(`${parts.join("\n\n")}\n`),
    });
  },
};
