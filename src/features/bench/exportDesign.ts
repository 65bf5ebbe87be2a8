import { download } from "@/ui/files/download";
import type { Design } from "@/core/document/schema";

/** Names and purposes stand here so that the exporters themselves load only when one is asked for. */
export const exportChoices = [
  { id: "design", title: "Design file", purpose: "The whole design, to keep, to send, or to open elsewhere." },
  { id: "wire-list-csv", title: "Wire list", purpose: "Every wire with both ends, lengths and colour." },
  { id: "wire-sheets", title: "Wire sheets for the bench", purpose: "The solder side, and every wire to tick off." },
  { id: "wires-solder-side-svg", title: "Wires from the solder side", purpose: "Mirrored, as seen while soldering." },
  { id: "wires-parts-side-svg", title: "Wires from the parts side", purpose: "Boards, parts and wires." },
  { id: "cut-list-csv", title: "Cutting list", purpose: "How many wires of which colour and length." },
  { id: "connectors-csv", title: "Connector tables", purpose: "Plugs of loose parts, cables between boards." },
  { id: "diodes-csv", title: "Diode list", purpose: "Every diode and which way its ring points." },
  { id: "netlist-356", title: "Netlist, IPC-D-356A", purpose: "Every part end with net and place, for board tests." },
  { id: "netlist-csv", title: "Netlist as a table", purpose: "The same for a spreadsheet." },
  { id: "assembly-csv", title: "Position table for assembly", purpose: "Every part with value, place, turn and side." },
  { id: "plate-svg", title: "Plate drawing (SVG)", purpose: "Edge, openings, reinforcement and caps on named layers." },
  { id: "plate-dxf", title: "Plate drawing (DXF)", purpose: "The same for cutters: release 12, mm, closed polylines." },
  { id: "plate-stl", title: "Printed plate (STL)", purpose: "Plates with their reinforcement layer as closed solids." },
  { id: "print-sheets", title: "Plate at 1 : 1 for paper", purpose: "On A4 pages with a scale bar." },
  { id: "legend-sheet", title: "Legend sheet at 1 : 1", purpose: "Every cap with its legends in the exact grid." },
  { id: "positions-csv", title: "Position table", purpose: "Every part with place and turn; can be read back." },
  { id: "drill-csv", title: "Drill table", purpose: "Every round hole with place and diameter." },
  { id: "report-descriptor-bin", title: "Report descriptor, binary", purpose: "As the host receives it." },
  { id: "report-descriptor-hex", title: "Report descriptor, hexadecimal", purpose: "To read, item by item." },
  {
    id: "flash-image",
    title: "Finished flash image",
    purpose: "For the 8-bit USB boards: one file to load, nothing to compile.",
  },
  {
    id: "firmware-python",
    title: "Firmware, Python",
    purpose: "For boards that run Python: files to copy onto their drive; nothing to compile.",
  },
  {
    id: "firmware-c",
    title: "Firmware, C99",
    purpose: "Runtime, tables, pins, a stand-in that runs here, and what to do in which order.",
  },
];

/** The design itself is written at once, whatever else may be wrong; all else beside the page. */
async function make(design: Design, id: string) {
  if (id === "design") return (await import("@/core/formats/designJson")).designJson.make(design);
  return (await import("@/workers/exporting")).makeAside(design, id);
}

/** Makes an artifact and hands it to the browser. @returns what to tell the person */
export async function exportDesign(design: Design, id: string): Promise<string> {
  try {
    const made = await make(design, id);
    if (!made.ok) return `Not exported: the design ${made.problems.map((problem) => problem.message).join("; ")}.`;
    download(made.value.fileName, made.value.mediaType, made.value.bytes);
    return `${made.value.fileName} is in your downloads.`;
  } catch (error) {
    return `Not exported: ${error instanceof Error ? error.message : String(error)}. Reload the page and try again; the design stays.`;
  }
}
