import { standardLoop } from "../electrics/musicLoop";
import { between, z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type PlacedElement, busNeed } from "./net";
import { CircuitBuilder, present } from "./circuitBuilder";

const ohm = between(1, 10_000);
const musicOutSchema = z.strictObject({
  ...listFields,
  kind: z.literal("music-out"),
  /** From the supply to pin 4, and from the transmitter to pin 5. */
  sourceOhm: ohm,
  dataOhm: ohm,
});
export type MusicOut = z.infer<typeof musicOutSchema>;

const CONTACT = { source: 0, data: 1, minus: 2 };

/** Sockets are driven by one transmitter, each through resistors of its own. */
function addSocket(builder: CircuitBuilder, socket: PlacedElement, { sourceOhm, dataOhm }: MusicOut) {
  const transmitter = builder.own("data", "bus", busNeed("uart", "TX"));
  const end = (name: string, value: number, contact: number, from = transmitter) => {
    const net = builder.net(`${socket.id}/${name}`, `${socket.label} ${name}`, "chain", null);
    builder.joint(net, socket, contact);
    const at = socket.contacts[contact].at;
    builder.shunt(`resistor ${socket.id} ${name}`, "resistor", `${value} Ω`, from, net, at);
  };
  end("source", sourceOhm, CONTACT.source, builder.supply);
  end("data", dataOhm, CONTACT.data);
  builder.joint(builder.ground, socket, CONTACT.minus);
}

/** Sockets that instruments hang on: bytes of MIDI 1.0 as a current that is switched. */
export const musicOut: CircuitKind<MusicOut> = {
  kind: "music-out",
  stem: "music",
  title: "Music sockets",
  purpose: "One serial transmitter and two resistors a socket: what hangs on it hears the same as a computer.",
  schema: musicOutSchema,
  fresh: (id, name) => ({ id, kind: "music-out", name, members: [], ...standardLoop(5) }),
  accepts: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "current-source"),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    for (const socket of present(circuit.members, elements).filter(musicOut.accepts))
      addSocket(builder, socket, circuit);
    return builder.built;
  },
};
