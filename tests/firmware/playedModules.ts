import type { Design } from "@/core/document/schema";
import type { DeviceWatch } from "@/core/engine/device";
import { deviceOf } from "@/core/engine/preparedDevice";
import { ownLines } from "@/core/firmware/ownLines";
import { scanTableOf } from "@/core/firmware/scanTable";
import { toHex } from "@/core/hex";
import { randomFrom } from "@/core/optimisation/random";
import { callsOf, contactsOf } from "./chipWiring";

/** Something that happens to a part. */
export interface Deed {
  atMs: number;
  order: string;
}

/** How a harness is told that a module calls, by the contact that its line is, and what the base tells a module. */
export interface Orders {
  calls: (module: number, contact: number) => string;
  told: (module: number, hex: string) => string;
}

const CHIP_ORDERS: Orders = { calls: (_, contact) => `contact ${contact} 1`, told: (_, hex) => `all ${hex}` };

/** A hand on keys of all parts, as simulated: what happens to one part, and what it does of that. */
export function playedModules(design: Design, seed: number, part: number, orders = CHIP_ORDERS) {
  const scan = scanTableOf(design);
  const contacts = contactsOf(design);
  const calls = callsOf(design, 0);
  const isOwn = ownLines(design, scan, part);
  const deeds: Deed[] = [];
  const reports: { atMs: number; told: string }[] = [];
  const said: string[] = [];
  const lamps: string[] = [];
  const put = (atMs: number, order: string) => deeds.push({ atMs, order });
  const watch: DeviceWatch = {
    contact: (atMs, contact, closed) => put(atMs, `contact ${contacts.indexOf(contact)} ${closed ? 1 : 0}`),
    report: ({ atMs, interface: name, bytes }) => reports.push({ atMs, told: `${name} ${toHex(bytes)}` }),
    parts: {
      link(atMs, from, bytes) {
        if (part === 0 && from > 0) put(atMs, `module ${from} ${toHex(bytes)}`);
        if (part > 0 && from === 0) put(atMs, orders.told(part, toHex(bytes)));
        if (from === part) said.push(toHex(bytes));
      },
      calls(atMs, from) {
        const line = calls.findIndex(([, modules]) => modules.includes(from));
        if (part === 0) put(atMs, orders.calls(from, contacts.length + line));
      },
      asks: (atMs, _, module) => module === part && put(atMs, `asked ${module}`),
      // All are off at the start.
      lamp(_, at, line, on) {
        const isMore = on || lamps.some((one) => one.startsWith(`lamp ${line} `));
        if (at === part && isMore && isOwn(scan.lampLines[line])) lamps.push(`lamp ${line} ${on ? 1 : 0}`);
      },
    },
  };
  const device = deviceOf(design, watch);
  const random = randomFrom(seed);
  const down = new Set<string>();
  // Of a module its own are moved.
  const [from, end] = part === 0 ? [0] : [scan.parts[part - 1].switches, scan.parts[part].switches];
  const among = scan.switches.slice(from, end);
  device.runUntil(40);
  for (let nth = 0; nth < 60; nth++) {
    const id = among[Math.floor(random() * among.length)];
    const isDown = !down.has(id) && down.size < 4;
    if (isDown) down.add(id);
    else down.delete(id);
    device.press(id, isDown);
    device.runUntil(device.nowMs + 12 + Math.floor(random() * 30));
  }
  for (const id of down) device.press(id, false);
  device.runUntil(device.nowMs + 60);
  return { deeds, reports, said, lamps, endMs: device.nowMs };
}

/** A frame as it was before it was stuffed. */
export function unstuffed(hex: string): Uint8Array {
  const bytes = Buffer.from(hex, "hex");
  const plain: number[] = [];
  for (let at = 0; at < bytes.length - 1; at += bytes[at]) {
    if (at > 0) plain.push(0);
    plain.push(...bytes.subarray(at + 1, at + bytes[at]));
  }
  return Uint8Array.from(plain);
}

/** What frames tell, without their numbers and check values; of those that tell something else than the one before. */
export const tellings = (frames: string[]): string[] =>
  frames.map((hex) => toHex(unstuffed(hex).slice(1, -2))).filter((hex, nth, all) => hex !== all[nth - 1]);
