"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import { usbLayoutOf } from "@/core/firmware/endpoints";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { interfaceFaces, isHid } from "@/core/hid/interfaceKinds";
import { reportNumber } from "@/core/hid/endpointPlan";
import { withReportId } from "@/core/hid/reportId";
import { hidInterfaces } from "@/core/hid/interfaces";
import { useDesign } from "@/store/bench";
import { DescriptorPart } from "./DescriptorPart";

/** Few play music, or take lines. */
const MusicDescriptor = later(() => import("./MusicDescriptor").then((m) => m.MusicDescriptor));
const SerialDescriptor = later(() => import("./SerialDescriptor").then((m) => m.SerialDescriptor));

/** The descriptors of the declared interfaces, byte by byte. */
export function ReportsTable() {
  const design = useDesign();
  const shape = reportShapeOf(design);
  const { plan, serial } = usbLayoutOf(design);
  return (
    <>
      {plan.flatMap((group, nth) =>
        group.map((kind) =>
          isHid(kind) ? (
            <DescriptorPart
              key={kind}
              number={`Interface ${nth}`}
              title={interfaceFaces[kind].title}
              items={withReportId(hidInterfaces[kind].descriptor(shape), reportNumber(group, kind))}
            />
          ) : (
            <MusicDescriptor key={kind} design={design} nth={nth} />
          ),
        ),
      )}
      {serial && <SerialDescriptor place={serial} />}
      {plan.length === 0 && !serial && (
        <Box padding="16px">
          The device declares no interface: no computer would listen to it. Declare one in the tray.
        </Box>
      )}
    </>
  );
}
