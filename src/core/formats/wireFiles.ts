import { isReversed } from "../circuits/matrix";
import { derive } from "../derived/derive";
import { linkConnectors, partConnectors } from "../wires/connectors";
import { cutList } from "../wires/cutList";
import { netlistOf } from "../wires/netlist";
import { wiresOf } from "../wires/wires";
import { type Artifact, asText } from "./artifact";
import { csvFile } from "./csvFile";

const mm = (value: number) => value.toFixed(1);

export const wireListCsv: Artifact = {
  id: "wire-list-csv",
  title: "Wire list",
  purpose: "Every wire in the order of the work, with both ends, lengths and colour.",
  make: async (design) =>
    csvFile(
      design,
      "wires",
      ["No.", "Work", "Net", "From", "To", "Straight length (mm)", "Cut length (mm)", "Colour", "mm²", "Done"],
      wiresOf(design).map((wire, nth) => ({
        "No.": nth + 1,
        Work: wire.phase,
        Net: asText(wire.net),
        From: asText(wire.from.name),
        To: asText(wire.to.name),
        "Straight length (mm)": mm(wire.straightMm),
        "Cut length (mm)": wire.cutMm,
        Colour: wire.colour,
        "mm²": wire.mm2,
        Done: design.wires.done.includes(wire.key) ? "yes" : "",
      })),
    ),
};

export const cutListCsv: Artifact = {
  id: "cut-list-csv",
  title: "Cutting list",
  purpose: "How many wires of which colour, cross-section and length to cut before the work.",
  make: async (design) =>
    csvFile(
      design,
      "cutting",
      ["Colour", "mm²", "Length (mm)", "Count"],
      cutList(wiresOf(design)).map(({ colour, mm2, cutMm, count }) => ({
        Colour: colour,
        "mm²": mm2,
        "Length (mm)": cutMm,
        Count: count,
      })),
    ),
};

export const connectorsCsv: Artifact = {
  id: "connectors-csv",
  title: "Connector tables",
  purpose: "Pin by pin: the plug of each loose part, and the cables between boards.",
  make: async (design) =>
    csvFile(
      design,
      "connectors",
      ["Connector", "Pin", "Contact", "Net", "To"],
      [...partConnectors(design), ...linkConnectors(design)].flatMap(({ name, pins }) =>
        pins.map(({ number, contact, net, to }) => ({
          Connector: asText(name),
          Pin: number,
          Contact: asText(contact),
          Net: asText(net),
          To: asText(to),
        })),
      ),
    ),
};

export const diodesCsv: Artifact = {
  id: "diodes-csv",
  title: "Diode list",
  purpose: "Every diode with its switch, its line and which way its ring points.",
  make: async (design) => {
    const { builtCircuits, elements, netById } = derive(design);
    const rows = builtCircuits.flatMap(({ inline }, nth) =>
      inline
        .filter(({ sort }) => sort === "diode")
        .map(({ elementId, netId, onContact }) => {
          const circuit = design.circuits[nth];
          const reversed = circuit.kind === "matrix" && isReversed(circuit, elementId);
          return {
            Switch: asText(elements.get(elementId)!.label),
            Line: asText(netById.get(netId)!.flag),
            "Ring (cathode)": onContact === "anode" ? "to the line" : "to the switch",
            Part: "1N4148",
            Note: reversed ? "against the others" : "",
          };
        }),
    );
    return csvFile(design, "diodes", ["Switch", "Line", "Ring (cathode)", "Part", "Note"], rows);
  },
};

export const netlistCsv: Artifact = {
  id: "netlist-csv",
  title: "Netlist as a table",
  purpose: "Every net with the part ends on it and their places in mm; diodes and resistors are parts of their own.",
  make: async (design) =>
    csvFile(
      design,
      "netlist",
      ["Net", "Part", "End", "Number", "x (mm)", "y (mm)"],
      netlistOf(design).flatMap(({ name, pins }) =>
        pins.map(({ part, end, number, at }) => ({
          Net: asText(name),
          Part: part,
          End: asText(end),
          Number: number,
          "x (mm)": at.xMm.toFixed(3),
          "y (mm)": at.yMm.toFixed(3),
        })),
      ),
    ),
};
