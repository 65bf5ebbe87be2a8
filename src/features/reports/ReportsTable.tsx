"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { padShapeOf } from "@/core/firmware/padShape";
import { interfaceFaces } from "@/core/hid/interfaceKinds";
import { hidInterfaces, inOrder, isHid } from "@/core/hid/interfaces";
import { useDesign } from "@/store/bench";
import { DescriptorPart } from "./DescriptorPart";

/** Few play music. */
const MusicDescriptor = dynamic(() => import("./MusicDescriptor").then((m) => m.MusicDescriptor));

/** The descriptors of the declared interfaces, byte by byte. */
export function ReportsTable() {
  const design = useDesign();
  const shape = padShapeOf(design);
  return (
    <>
      {inOrder(design.reportSet.interfaces).map((kind, nth) =>
        isHid(kind) ? (
          <DescriptorPart
            key={kind}
            number={`Interface ${nth}`}
            title={interfaceFaces[kind].title}
            items={hidInterfaces[kind].descriptor(shape)}
          />
        ) : (
          <MusicDescriptor key={kind} design={design} nth={nth} />
        ),
      )}
      {design.reportSet.interfaces.length === 0 && (
        <Box padding="16px">
          The device declares no interface: no computer would listen to it. Declare one in the tray.
        </Box>
      )}
    </>
  );
}
