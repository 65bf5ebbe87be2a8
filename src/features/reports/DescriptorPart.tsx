"use client";

import { Box } from "@chakra-ui/react";
import type { DescriptorItem } from "@/core/hid/descriptorItem";
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

/** One descriptor, item by item. @param number "Interface 2" */
export function DescriptorPart({ number, title, items }: { number: string; title: string; items: DescriptorItem[] }) {
  const lines = withOffsets(items);
  const length = lines.at(-1)!.offset + lines.at(-1)!.item.bytes.length;
  return (
    <section aria-label={`Descriptor of ${title}`}>
      <Box as="h3" padding="8px 8px 4px" fontWeight="700">
        {number}: {title}, {length} bytes
      </Box>
      <Table
        label={`Descriptor of ${title}`}
        rows={lines}
        rowId={({ offset }) => `${title} ${offset}`}
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
}
