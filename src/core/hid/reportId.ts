import { type DescriptorItem, PREFIX, unsignedItem } from "./descriptorItem";

/**
 * A report descriptor with a report id after its collection is opened: where several collections stand on one interface their reports
 * are told apart by their first byte (USB HID 1.11, section 6.2.2.7). As it is for id 0.
 */
export function withReportId(items: readonly DescriptorItem[], id: number): DescriptorItem[] {
  if (id === 0) return [...items];
  const opened = items.findIndex(({ name }) => name.startsWith("Collection"));
  const own = {
    bytes: unsignedItem(PREFIX.reportId, id),
    name: `Report ID (${id})`,
    meaning: "the first byte of its reports, as others stand on this interface too",
    depth: 1,
  };
  return [...items.slice(0, opened + 1), own, ...items.slice(opened + 1)];
}
