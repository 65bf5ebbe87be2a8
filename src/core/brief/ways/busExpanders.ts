import { fewestLines } from "../../matrix/planReadingOrder";
import { type SwitchWay, i2cLots, i2cUs } from "./way";

const LINES = 16;
/** Three address lines (typical of the class). */
const MOST = 8;
/** Address, register, address again, two bytes of data. */
const READ_BYTES = 5;
/** Address, register, one byte out; then a read of one byte. */
const ROW_BYTES = 3 + 4;

/** Two pins for 16 inputs each, by address (common practice). */
export const busExpanders: SwitchWay = {
  id: "bus-expanders",
  title: "Bus expanders",
  carriesTurns: true,
  plan(inputs) {
    const expanders = Math.ceil(inputs / LINES);
    if (inputs === 0 || expanders > MOST) return null;
    return {
      pins: i2cLots,
      parts: { expander: expanders, resistor: 2 },
      readUs: expanders * i2cUs(READ_BYTES),
      certainty: [],
      shape: `${expanders} × 16 lines on the bus`,
    };
  },
};

/** A matrix whose rows and columns all end on one expander. */
export const matrixOnExpander: SwitchWay = {
  id: "matrix-on-expander",
  title: "Matrix on a bus expander",
  carriesTurns: false,
  plan(inputs, { wish }) {
    if (inputs < 12) return null;
    const { rows, columns } = fewestLines(inputs);
    if (rows + columns > LINES) return null;
    return {
      pins: i2cLots,
      parts: { expander: 1, resistor: 2, ...(wish.chords ? { diode: inputs } : {}) },
      readUs: rows * i2cUs(ROW_BYTES),
      certainty: wish.chords ? [] : [{ weight: "note", words: "without diodes: ghosts from three keys on" }],
      shape: `${rows} × ${columns} on one expander`,
    };
  },
};
