"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import { endpointPlanOf } from "@/core/firmware/endpoints";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { interfaceFaces, isHid } from "@/core/hid/interfaceKinds";
import { reportNumber } from "@/core/hid/endpointPlan";
import { withReportId } from "@/core/hid/reportId";
import { hidInterfaces } from "@/core/hid/interfaces";
import { useDesign } from "@/store/bench";
import { DescriptorPart } from "./DescriptorPart";

/** Few play music. */
const MusicDescriptor = later(() => import("./MusicDescriptor").then((m) => m.MusicDescriptor));

/** The descriptors of the declared interfaces, byte by byte. */
export function ReportsTable() {
  const design = useDesign();
  const shape = reportShapeOf(design);
  return (
    <>
      {endpointPlanOf(design).flatMap((group, nth) =>
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
      {design.reportSet.interfaces.length === 0 && (
        <Box padding="16px">
          The device declares no interface: no computer would listen to it. Declare one in the tray.
        </Box>
      )}
    </>
  );
}
