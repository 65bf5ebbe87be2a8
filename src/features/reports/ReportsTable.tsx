"use client";

import { interfaceFaces } from "@/core/hid/interfaceKinds";
import { Box } from "@chakra-ui/react";
import { descriptorItems } from "@/core/firmware/descriptorItems";
import { inOrder } from "@/core/hid/usbDescriptors";
import type { DescriptorItem } from "@/core/hid/descriptorItem";
import { useDesign } from "@/store/bench";
import { Table } from "@/ui/pieces/Table";

interface DescriptorLine {
  item: DescriptorItem;
  offset: number;
}

function withOffsets(items: DescriptorItem[]): DescriptorLine[] {
  let offset = 0;
  return items.map((item) => {
    const line = { item, offset };
    offset += item.bytes.length;
    return line;
  });
}

const hex = (bytes: number[]) => bytes.map((byte) => byte.toString(16).toUpperCase().padStart(2, "0")).join(" ");

/** The descriptors of the declared interfaces, byte by byte. */
export function ReportsTable() {
  const design = useDesign();
  return (
    <>
      {inOrder(design.reportSet.interfaces).map((kind, nth) => {
        const lines = withOffsets(descriptorItems(design, kind));
        const length = lines.at(-1)!.offset + lines.at(-1)!.item.bytes.length;
        return (
          <section key={kind} aria-label={`Descriptor of ${interfaceFaces[kind].title}`}>
            <Box as="h3" padding="8px 8px 4px" fontWeight="700">
              Interface {nth}: {interfaceFaces[kind].title}, {length} bytes
            </Box>
            <Table
              label={`Descriptor of ${interfaceFaces[kind].title}`}
              rows={lines}
              rowId={({ offset }) => `${kind} ${offset}`}
              empty=""
              columns={[
                { title: "At", numeric: true, width: "60px", cell: ({ offset }) => offset },
                {
                  title: "Bytes",
                  width: "110px",
                  cell: ({ item }) => (
                    <Box as="span" fontFamily="mono">
                      {hex(item.bytes)}
                    </Box>
                  ),
                },
                {
                  title: "Item",
                  cell: ({ item }) => <span style={{ paddingLeft: item.depth * 18 }}>{item.name}</span>,
                },
                { title: "What it says", cell: ({ item }) => item.meaning },
              ]}
            />
          </section>
        );
      })}
      {design.reportSet.interfaces.length === 0 && (
        <Box padding="16px">
          The device declares no interface: no computer would listen to it. Declare one in the tray.
        </Box>
      )}
    </>
  );
}
