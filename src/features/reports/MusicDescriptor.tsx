"use client";

import type { Design } from "@/core/document/schema";
import { descriptorItems } from "@/core/firmware/descriptorItems";
import { interfaceFaces } from "@/core/hid/interfaceKinds";
import { DescriptorPart } from "./DescriptorPart";

/** Music has two interfaces, and no report descriptor: what they are is told by their own. */
export const MusicDescriptor = ({ design, nth }: { design: Design; nth: number }) => (
  <DescriptorPart
    number={`Interfaces ${nth} and ${nth + 1}`}
    title={interfaceFaces.music.title}
    items={descriptorItems(design, "music")}
  />
);
