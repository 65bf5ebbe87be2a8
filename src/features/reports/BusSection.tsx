"use client";

import { Box } from "@chakra-ui/react";
import { setEndpointsMost } from "@/core/edits/reportSet";
import { chipEndpoints, endpointsMost, usbLayoutOf } from "@/core/firmware/endpoints";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { KEPT_MOST, busShares, keptShare } from "@/core/hid/busLoad";
import { reportNumber } from "@/core/hid/endpointPlan";
import { type InterfaceKind, interfaceFaces } from "@/core/hid/interfaceKinds";
import { SERIAL_ENDPOINTS, SERIAL_PACKETS } from "@/core/hid/serialInterfaces";
import { MUSIC_REPORT_BYTES } from "@/core/contract/music";
import { edit, useDesign } from "@/store/bench";
import { NumberField } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";

const titleWith = (kind: InterfaceKind, number: number) =>
  interfaceFaces[kind].title + (number > 0 ? ` (${number})` : "");
const notesRow = (endpoint: number): [string, string] => [
  "Notes to the device",
  `endpoint ${endpoint}, ${MUSIC_REPORT_BYTES} bytes, as there is room`,
];
const serialRow = (first: number): [string, string] => [
  "Serial port for lines",
  `endpoints ${first} to ${first + SERIAL_ENDPOINTS - 1}, ${SERIAL_PACKETS.data} bytes, as there is room`,
];
const whole = new Intl.NumberFormat("en-GB");
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

/** What the reports ask of the bus: their endpoints and packets, and how much of the time is kept for them. */
export function BusSection() {
  const design = useDesign();
  const { plan, musicIn, serial } = usbLayoutOf(design);
  const shares = busShares(plan, reportShapeOf(design));
  if (shares.length === 0 && !serial) return null;
  return (
    <Section title="On the bus">
      <Values
        rows={[
          ...shares.map(({ kinds, endpoint, packetBytes, isKept }): [string, string] => [
            kinds.map((kind) => titleWith(kind, reportNumber(kinds, kind))).join(", "),
            `endpoint ${endpoint}, ${packetBytes} bytes${isKept ? "" : ", as there is room"}`,
          ]),
          ...(musicIn ? [notesRow(musicIn)] : []),
          ...(serial ? [serialRow(serial.endpoint)] : []),
        ]}
      />
      <NumberField
        label={`Endpoints taken at most, of ${chipEndpoints(design)}`}
        unit=""
        whole
        min={1}
        max={chipEndpoints(design)}
        value={endpointsMost(design)}
        onCommit={(most) => edit("endpoints of the reports", (d) => setEndpointsMost(d, most))}
      />
      <Box fontSize="13px" color="var(--faint)">
        {shares.some(({ kinds }) => kinds.length > 1) &&
          "Reports that share an endpoint are told apart by the number in front, and one of them is told in a millisecond. Those share that wait for each other least. "}
        Each endpoint is asked once a millisecond, for{" "}
        {whole.format(shares.reduce((sum, { bytesASecond }) => sum + bytesASecond, 0))} bytes a second at most. That is{" "}
        {percent(keptShare(shares, serial !== null))} of a full-speed bus at its worst (USB 2.0, section 5.11.3); a
        computer keeps at most {Math.round(100 * KEPT_MOST)} % for all that it asks in turn. A board with an interpreter
        puts all but music on one endpoint, told apart by a first byte.
      </Box>
    </Section>
  );
}
