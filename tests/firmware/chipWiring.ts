import { chipPinOf, pinBytes } from "@/core/chips/usb8";
import { interpreterPin } from "@/core/chips/interpreterPins";
import { type AccessBy, accessSets, chipsOf } from "@/core/firmware/accessSets";
import type { LineAccess } from "@/core/circuits/lineAccess";
import { socketNets } from "@/core/firmware/musicSocket";
import { tracksOf } from "@/core/engine/preparedDevice";
import { Tracks } from "@/core/engine/tracks";
import { derive } from "@/core/derived/derive";
import { linkEndId } from "@/core/derived/linkEnds";
import { isModule } from "@/core/document/partLinks";
import { moduleBusOf } from "@/core/firmware/moduleBus";
import type { Design } from "@/core/document/schema";
import { ownLines } from "@/core/firmware/ownLines";
import { scanTableOf } from "@/core/firmware/scanTable";

/** The contacts of a design in the order in which the wiring numbers them; the rungs of ladders come last. */
export function contactsOf(design: Design): string[] {
  const { conductors, ladders } = scanTableOf(design);
  return [...conductors.map(({ contact }) => contact), ...ladders.flatMap(({ rungs }) => rungs)];
}

/** Lines on which modules on a bus call, at one of the parts, with the modules that do; at the main part they are contacts behind all others. */
export function callsOf(design: Design, part = 0): [netId: string, modules: number[]][] {
  const numbers = design.controllers.map((_, nth) => nth);
  const calls = moduleBusOf(design, part)?.calls ?? [];
  return calls.map(({ netId, mask }) => [netId, numbers.filter((nth) => (mask >> nth) & 1)]);
}

const WITH_REGISTERS = 8;
const EXPANDER_LINES = 16;
const padded = <T>(list: T[], to: number, empty: T): T[] => [
  ...list,
  ...new Array<T>(Math.ceil(list.length / to) * to - list.length).fill(empty),
];

/** What lies around the 8-bit USB chip, for the simulated parts (chip/wiring.c). */
export const chipWiring = (design: Design, part = 0): string =>
  wiringOf(
    design,
    (profileId, pad) => {
      const pin = chipPinOf(profileId, pad);
      return pin && `${pinBytes(pin)[0]} ${pin.bit}`;
    },
    part,
  );

/** What lies around a board with an interpreter (board/world.py). */
export const boardWiring = (design: Design, part = 0): string =>
  wiringOf(design, (profileId, pad) => interpreterPin(profileId, pad), part);

/** The same with the pads' own names. */
export const padWiring = (design: Design): string => wiringOf(design, (_, pad) => pad);

/** What lies around one of the controllers; contacts, lamps and voltages keep the numbers that they have in the whole device. */
function wiringOf(design: Design, pinOf: (profileId: string, pad: string) => string | null, part = 0): string {
  const scan = scanTableOf(design);
  const { signalNets, controllers } = derive(design);
  const { profile, controller } = controllers[part];
  const isOwn = ownLines(design, scan, part);
  const numbers = new Map<string, number>();
  const net = (name: string) => {
    // Ground at the plug of a part's own.
    const id = name === `GND@${controller.id}` ? "GND" : name;
    if (!numbers.has(id)) numbers.set(id, numbers.size);
    return numbers.get(id)!;
  };
  const lines: string[] = [`ground ${net("GND")}`];
  for (const { id } of signalNets.filter(({ id: one }) => isOwn(one))) {
    const pad = design.pinPlan[id]?.pin;
    const pin = pad === undefined ? null : pinOf(profile!.id, pad);
    if (pin) lines.push(`pin ${net(id)} ${pin}`);
  }
  for (const { from, to, diode } of scan.conductors) lines.push(`contact ${net(from)} ${net(to)} ${diode ? 1 : 0}`);
  const own = Object.fromEntries(Object.entries(scan.access).filter(([id]) => isOwn(id)));
  const all = Object.entries(own);
  const of = <By extends LineAccess["by"]>(by: By) =>
    all.filter(([, access]) => access.by === by) as [string, AccessBy<By>][];
  for (const [id] of of("held-pin")) lines.push(`held ${net(id)}`);
  const inputs = of("in-register");
  for (const clock of new Set(inputs.map(([, { clock }]) => clock))) {
    const own = inputs.filter(([, line]) => line.clock === clock).sort(([, a], [, b]) => a.bit - b.bit);
    const [, { latch, data }] = own[0];
    const nets = padded(
      own.map(([id]) => net(id)),
      WITH_REGISTERS,
      -1,
    );
    lines.push(`in-register ${net(clock)} ${net(latch)} ${net(data)} -1 ${nets.join(" ")}`);
  }
  const outputs = of("out-register");
  const chains = [...new Set(outputs.map(([, { clock }]) => clock))];
  for (const clock of chains) {
    const own = outputs.filter(([, line]) => line.clock === clock);
    const [, { latch, data, enable }] = own[0];
    const nets = padded(
      own.map(() => 0),
      WITH_REGISTERS,
      -1,
    );
    const enabled = enable === null ? -1 : net(enable);
    lines.push(`out-register ${net(clock)} ${net(latch)} ${net(data)} ${enabled} ${nets.join(" ")}`);
  }
  const channels = of("channel");
  for (const select of new Set(channels.map(([, line]) => line.select.join(" ")))) {
    const set = channels.filter(([, line]) => line.select.join(" ") === select);
    for (const chip of chipsOf(set.map(([, line]) => line))) {
      const own = set.filter(([, line]) => line.chip === chip).sort(([, a], [, b]) => a.channel - b.channel);
      const selects = padded(select.split(" ").map(net), 4, -1);
      lines.push(`multiplexer ${selects.join(" ")} ${net(own[0][1].data)} ${own.map(([id]) => net(id)).join(" ")}`);
    }
  }
  for (const set of accessSets(own, "expander", (line) => `${line.scl} ${line.sda} ${line.address}`)) {
    const [, { scl, sda, address }] = set[0];
    const nets: number[] = [];
    for (let bit = 0; bit < EXPANDER_LINES; bit++)
      nets.push(net(set.find(([, line]) => line.bit === bit)?.[0] ?? `nothing ${address} ${bit}`));
    lines.push(`expander ${net(scl)} ${net(sda)} ${address} ${nets.join(" ")}`);
  }
  for (const bank of scan.ladders.filter(({ line }) => isOwn(line))) {
    const { top } = scan.access[bank.rungs[0]] as AccessBy<"rung">;
    const powered = top === null ? -1 : net(top);
    lines.push(`ladder ${net(bank.line)} ${bank.pullDownOhm} ${powered} ${bank.rungOhms.join(" ")}`);
  }
  const tracks = new Tracks(tracksOf(design, scan.sensors));
  for (const [nth, id] of scan.sensors.entries()) {
    const access = scan.access[id];
    const through = access?.by === "voltage" ? access : null;
    const selects = padded((through?.select ?? []).map(net), 4, -1);
    const places = selects.length > 0 ? selects : [-1, -1, -1, -1];
    lines.push(`wiper ${net(through?.data ?? id)} ${places.join(" ")} ${through?.channel ?? 0} ${tracks.level(nth)}`);
  }
  for (const id of scan.lampLines) {
    const access = scan.access[id];
    const at = (sign: string) => sign.charCodeAt(0);
    if (!isOwn(id)) lines.push(`lamp ${at("p")} ${net("nowhere")} 0`);
    else if (Object.hasOwn(scan.tones, id)) lines.push(`lamp ${at("t")} ${net(id)} ${scan.tones[id]}`);
    else if (!access) lines.push(`lamp ${at("p")} ${net(id)} 0`);
    else if (access.by === "out-register") lines.push(`lamp ${at("r")} ${chains.indexOf(access.clock)} ${access.bit}`);
    else if (access.by === "pair") lines.push(`lamp ${at("x")} ${net(access.high)} ${net(access.low)}`);
  }
  for (const chain of scan.chains.filter(({ net: id }) => isOwn(id))) lines.push(`light ${net(chain.net)}`);
  for (const { data, clock, select, drivers } of scan.segmentChains.filter(({ data: id }) => isOwn(id)))
    lines.push(`segments ${net(data)} ${net(clock)} ${net(select)} ${drivers}`);
  for (const { scl, sda, address, behind } of scan.displays.filter(({ scl: id }) => isOwn(id)))
    lines.push(`display ${net(scl)} ${net(sda)} ${address} ${behind?.address ?? 0} ${behind ? 1 << behind.branch : 0}`);
  for (const id of socketNets(design).filter(isOwn)) lines.push(`transmitter ${net(id)}`);
  for (const [call] of callsOf(design, part))
    lines.push(part === 0 ? `contact ${net(call)} ${net("GND")} 0` : `caller ${net(call)}`);
  const bus = moduleBusOf(design, part);
  if (bus) lines.push(`bus ${net(bus.clock)} ${net(bus.data)}`);
  for (const { link, end } of derive(design).linkEnds.filter(
    (one) => one.controller === controller && !isModule(one.link),
  ))
    lines.push(
      `transmitter ${net(`${linkEndId(link, end)}.sends`)}`,
      `receiver ${net(`${linkEndId(link, end)}.receives`)}`,
    );
  return `${lines.join("\n")}\n`;
}
