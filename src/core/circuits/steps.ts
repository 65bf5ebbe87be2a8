import type { Circuit } from ".";
import type { BuiltCircuit } from "./circuitKind";

/** Usual resistor that holds an input down while its contact is open (common practice). */
const PULL_DOWN = "10 kΩ to ground";

type Steps = { [K in Circuit["kind"]]: (circuit: Extract<Circuit, { kind: K }>, built: BuiltCircuit) => string[] };

/**
 * How each kind of circuit is put together, step by step, in the order of the work. It stands apart from the kinds: only
 * the tray that shows it loads it.
 */
const steps: Steps = {
  direct: ({ polarity }, built) => [
    polarity === "to-ground"
      ? "Join the second contact of every switch to ground."
      : `Join the second contact of every switch to the supply, and each pin's lead through ${PULL_DOWN}.`,
    ...(built.lamps.length > 0 ? ["Put each lamp's resistor into the lead at its longer leg, the anode."] : []),
    "Run each lead to its pin.",
  ],
  matrix: ({ diodes }) => [
    ...(diodes === "none"
      ? ["Run each row past its switches, from contact to contact."]
      : [
          `Bend a diode at each switch, the ring ${diodes === "column-to-row" ? "to the row" : "to the switch"}, and solder it to the second contact.`,
          "Run each row along the free ends of the diodes.",
        ]),
    "Run the columns insulated: they cross the rows.",
    "Run one lead from each row and column to its pin.",
  ],
  "two-way-matrix": () => [
    "Bend a diode at each switch; of two switches at one crossing the ring of one points to the row, of the other to the switch.",
    "Run the rows along the free ends of the diodes, then the columns insulated.",
    "Run one lead from each line to its pin: every line is driven and read in turn.",
  ],
  "input-registers": (_circuit, built) => [
    `Put ${built.chips.length === 1 ? "the register" : `${built.chips.length} registers`} down with 100 nF from VCC to ground at each.`,
    "Chain them: QH of each to SER of the one before it; the first one's QH goes to the data pin, the last one's SER to ground.",
    "Run clock and latch to all of them, CLK INH to ground.",
    "Run each contact to its input, with 10 kΩ from the input to the supply, and the contacts' other sides to ground.",
    "Tie inputs that stay free to ground.",
  ],
  multiplexer: (_circuit, built) => [
    `Put ${built.chips.length === 1 ? "the multiplexer" : `${built.chips.length} multiplexers`} down with 100 nF from VCC to ground at each, and E to ground.`,
    "Run the select lines past all of them, then one data lead from each to its pin.",
    "Run each contact to its channel and the contacts' other sides to ground; pots and sticks between supply and ground.",
  ],
  expander: (_circuit, built) => [
    "Put the expanders down with 100 nF from supply to ground at each, and set their address terminals.",
    `Run both bus wires past ${built.chips.length === 1 ? "it" : "all of them"}, with one pair of pull-up resistors for the whole bus.`,
    "Run each contact to its line and the contacts' other sides to ground; the expander's own pull-ups hold the lines.",
  ],
  ladder: (_circuit, built) => [
    `Solder the resistors in a row, one to a pad, ${built.ladders.length === 1 ? "from ground to the supply" : "each bank from ground to its own pin, which floats while another is read"}.`,
    "Join the other contacts of all pads and run one lead to the analog pin, with the pull-down to ground there.",
  ],
  "output-registers": ({ dimmed }, built) => [
    `Put ${built.chips.length === 1 ? "the register" : `${built.chips.length} registers`} down with 100 nF from VCC to ground at each.`,
    "Chain them: QH' of each to SER of the next; the data pin goes to the first one's SER, SRCLR of all to the supply.",
    `Run clock and latch to all of them, and OE ${dimmed ? "to the brightness pin, with 10 kΩ to the supply so that the lamps stay dark while it starts" : "to ground"}.`,
    "Join all anodes to the supply; put one resistor into each cathode's branch and run it to its output.",
  ],
  charlieplex: () => [
    "Put a resistor into each line at its pin: every lamp's current passes two of them.",
    "Solder each lamp with its anode on the first line of its pair and its cathode on the second.",
  ],
  "light-chain": ({ shifted, bridged }, built) => [
    ...(shifted ? ["Put the level shifter down near the first light, with 100 nF at its supply."] : []),
    "Put about 330 Ω into the data lead at its start.",
    "Run data from each light's out to the next one's in, in the order of the chain.",
    ...(bridged.length > 0 ? ["Bridge data in to data out at each dead light."] : []),
    `Run supply and ground past all lights${built.nets.length > 30 ? ", fed at both ends" : ""}, with a large capacitor where they enter.`,
  ],
  "bus-displays": (_circuit, built) => [
    ...(built.chips.length > 0
      ? ["Put the bus multiplexer down; each branch has its own pair of pull-up resistors."]
      : ["One pair of pull-up resistors serves the whole bus; many display modules carry their own."]),
    "Run SCL and SDA side by side, with ground beside them, and keep them short.",
  ],
  "segment-chain": ({ shifted }) => [
    ...(shifted ? ["Put the level shifter down near the first display, with 100 nF at its supply."] : []),
    "Run clock and select past all displays, and the data pin to the first one's data.",
    "Run each display's data out to the next one's data.",
    "Feed supply and ground with 10 µF at each display.",
  ],
  "spi-radio": () => [
    "Solder 10 µF and 100 nF right at the module's supply pins: without them it resets while sending.",
    "Feed it from 3.3 V; its inputs may take more, its supply does not.",
    "Run clock and both data lines to the bus pins, then select, enable and interrupt. Mind the radio rules of your country.",
  ],
  "music-out": ({ sourceOhm, dataOhm }) => [
    "Seen from behind, the middle pin of the five is 2; on its two sides are 4 and 5, outside them 1 and 3. Measure with a plug in: drawings turn them round.",
    `Run ${sourceOhm} Ω from the supply to pin 4, ${dataOhm} Ω from the transmitter to pin 5, and ground to pin 2. Pins 1 and 3 stay free.`,
    "The instrument's side is kept apart by its coupler: join no ground there.",
  ],
  "pad-port": () => [
    "Measure the console's lead with it unplugged: which wire is latch, clock, data, ground and supply. Colours tell nothing.",
    "Run latch and clock to pins whose edges interrupt, data to any other, ground to ground.",
    "Leave the console's supply wire off while the device hangs on USB or a supply of its own: two sources must not feed each other.",
  ],
};

/** The steps of one circuit. */
export const stepsOf = (circuit: Circuit, built: BuiltCircuit): string[] =>
  (steps[circuit.kind] as (circuit: Circuit, built: BuiltCircuit) => string[])(circuit, built);
