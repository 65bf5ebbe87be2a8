import { text, listOf, z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import type { CircuitKind, CircuitPlan } from "./circuitKind";
import { GROUND, type Net, type PlacedElement, analogNeed, inputNeed, outputNeed, pwmNeed, tapOf } from "./net";

const directSchema = z.strictObject({
  id: idSchema,
  kind: z.literal("direct"),
  name: text(1, 40),
  members: listOf(z.string(), 256),
});
export type DirectCircuit = z.infer<typeof directSchema>;

const emptyPlan = (): CircuitPlan => ({
  nets: [],
  conductors: [],
  groups: [],
  encoders: [],
  lamps: [],
  diodes: 0,
  resistors: 0,
});

const net = (element: PlacedElement, part: string, flag: string, role: Net["role"], need: Net["need"]): Net => ({
  id: part === "" ? element.id : `${element.id}/${part}`,
  flag,
  role,
  need,
  taps: [tapOf(element, part === "B" ? 1 : 0)],
});

function addSwitch(plan: CircuitPlan, element: PlacedElement) {
  plan.nets.push(net(element, "", element.label, "switch", inputNeed));
  plan.conductors.push({ contact: element.id, from: element.id, to: GROUND, diode: false });
  plan.groups.push({ strobeNet: null, cells: [{ senseNet: element.id, elementId: element.id }] });
}

function addQuadrature(plan: CircuitPlan, element: PlacedElement) {
  const need = { ...inputNeed, interrupt: true };
  for (const end of ["A", "B"]) {
    const role = end === "A" ? "quadrature-a" : "quadrature-b";
    plan.nets.push(net(element, end, `${element.label} ${end}`, role, need));
    plan.conductors.push({ contact: `${element.id}/${end}`, from: `${element.id}/${end}`, to: GROUND, diode: false });
  }
  plan.encoders.push({
    elementId: element.id,
    netA: `${element.id}/A`,
    netB: `${element.id}/B`,
    statesPerStep: element.turning!.statesPerStep,
  });
}

function addLamp(plan: CircuitPlan, element: PlacedElement) {
  plan.nets.push(net(element, "", element.label, "lamp", outputNeed));
  plan.lamps.push({ elementId: element.id, net: element.id });
  plan.resistors += 1;
}

/** A wiper on an analog pin; its ends are on the supply and on ground. */
const addAnalog = (plan: CircuitPlan, element: PlacedElement) =>
  plan.nets.push({
    id: element.id,
    flag: element.label,
    role: "analog",
    need: analogNeed,
    taps: [tapOf(element, 1)],
  });

const addOutput = (plan: CircuitPlan, element: PlacedElement) =>
  plan.nets.push(net(element, "", element.label, "output", pwmNeed));

/** Which contact of an element goes to ground. */
const groundEnd: Partial<Record<PlacedElement["kind"], number>> = {
  switch: 1,
  quadrature: 2,
  lamp: 1,
  analog: 2,
  output: 1,
};

/** One pin an element end: switches and encoders to ground with the internal pull-up, lamps from the pin. */
export const direct: CircuitKind<DirectCircuit> = {
  kind: "direct",
  title: "Direct",
  schema: directSchema,
  takes: (element) => element.kind in groundEnd,
  members: (circuit) => circuit.members,
  without: (circuit, elementId) =>
    circuit.members.includes(elementId)
      ? { ...circuit, members: circuit.members.filter((id) => id !== elementId) }
      : circuit,
  plan(circuit, elements) {
    const plan = emptyPlan();
    const ground: Net = { id: GROUND, flag: "GND", role: "ground", need: null, taps: [] };
    for (const id of circuit.members) {
      const element = elements.get(id);
      if (!element || !direct.takes(element)) continue;
      if (element.kind === "switch") addSwitch(plan, element);
      if (element.kind === "quadrature") addQuadrature(plan, element);
      if (element.kind === "lamp") addLamp(plan, element);
      if (element.kind === "analog") addAnalog(plan, element);
      if (element.kind === "output") addOutput(plan, element);
      ground.taps.push(tapOf(element, groundEnd[element.kind]!));
    }
    if (ground.taps.length > 0) plan.nets.push(ground);
    return plan;
  },
};
