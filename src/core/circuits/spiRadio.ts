import { whole, z } from "../schema";
import { addSpi } from "./buses";
import type { CircuitKind } from "./circuitKind";
import { listFields, memberList } from "./memberList";
import { type PlacedElement, outputNeed, readNeed } from "./net";
import { CircuitBuilder, present } from "./circuitBuilder";

const spiRadioSchema = z.strictObject({ ...listFields, kind: z.literal("spi-radio"), bus: whole(0, 3) });
export type SpiRadio = z.infer<typeof spiRadioSchema>;

const CONTACT = { dataIn: 0, dataOut: 1, clock: 2, select: 3, enable: 4, interrupt: 5, plus: 6, minus: 7 };

/** The controller's "data out" goes to the module's data in, and the other way round. */
function addModule(builder: CircuitBuilder, module: PlacedElement, bus: number) {
  const { clock, dataIn, dataOut } = addSpi(builder, bus);
  const own = (name: string) => ({ id: `${module.id}/${name}`, flag: `${module.label} ${name}` });
  const select = builder.net(own("select").id, own("select").flag, "select", outputNeed);
  const enable = builder.net(own("enable").id, own("enable").flag, "enable", outputNeed);
  const interrupt = builder.net(
    own("interrupt").id,
    own("interrupt").flag,
    "interrupt",
    { ...readNeed, interrupt: true },
    { heldBy: "part" },
  );
  builder.joint(dataOut, module, CONTACT.dataIn);
  builder.joint(dataIn, module, CONTACT.dataOut);
  builder.joint(clock, module, CONTACT.clock);
  builder.joint(select, module, CONTACT.select);
  builder.joint(enable, module, CONTACT.enable);
  builder.joint(interrupt, module, CONTACT.interrupt);
  builder.joint(builder.threeVolt, module, CONTACT.plus);
  builder.joint(builder.ground, module, CONTACT.minus);
}

/** Radio modules on the serial bus: three shared lines, and select, enable and interrupt of their own. */
export const spiRadio: CircuitKind<SpiRadio> = {
  kind: "spi-radio",
  stem: "radio",
  title: "Radio on the serial bus",
  purpose: "Three lines shared with everything on the bus, and three of its own for each module.",
  schema: spiRadioSchema,
  fresh: (id, name) => ({ id, kind: "spi-radio", name, members: [], bus: 0 }),
  accepts: (element) => element.kind === "device" && element.contacts.some(({ name }) => name === "data-in"),
  ...memberList,
  build(circuit, elements, places) {
    const builder = new CircuitBuilder(circuit, places);
    for (const module of present(circuit.members, elements).filter(spiRadio.accepts))
      addModule(builder, module, circuit.bus);
    return builder.built;
  },
};
