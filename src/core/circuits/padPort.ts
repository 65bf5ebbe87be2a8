import { z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type PlacedElement, outputNeed, readNeed } from "./net";
import { CircuitBuilder, present } from "./circuitBuilder";

const padPortSchema = z.strictObject({ ...listFields, kind: z.literal("pad-port") });
export type PadPortCircuit = z.infer<typeof padPortSchema>;

const CONTACT = { latch: 0, clock: 1, data: 2, minus: 3 };

/** The console drives latch and clock, whose edges interrupt, and reads data. */
function addPort(builder: CircuitBuilder, port: PlacedElement) {
  const interrupting = { ...readNeed, interrupt: true };
  const line = (name: string, role: "latch" | "clock" | "data", need: typeof readNeed, heldBy?: "part") =>
    builder.net(`${port.id}/${name}`, `${port.label} ${name}`, role, need, heldBy ? { heldBy } : {});
  builder.joint(line("latch", "latch", interrupting, "part"), port, CONTACT.latch);
  builder.joint(line("clock", "clock", interrupting, "part"), port, CONTACT.clock);
  builder.joint(line("data", "data", outputNeed), port, CONTACT.data);
  builder.joint(builder.ground, port, CONTACT.minus);
}

/** Plugs of serial pad ports: latch and clock come from the console, data goes to it. */
export const padPort: CircuitKind<PadPortCircuit> = {
  kind: "pad-port",
  stem: "port",
  title: "Serial pad port",
  purpose: "Three lines to a console: its latch and clock interrupt, and bit after bit is put on the data line.",
  schema: padPortSchema,
  fresh: (id, name) => ({ id, kind: "pad-port", name, members: [] }),
  accepts: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "latch"),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    for (const port of present(circuit.members, elements).filter(padPort.accepts)) addPort(builder, port);
    return builder.built;
  },
};
