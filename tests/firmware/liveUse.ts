import { COMMAND } from "@/core/contract/live";
import type { Design } from "@/core/document/schema";
import type { DeviceWatch } from "@/core/engine/device";
import { type FirmwareScript, scriptRecorder } from "@/core/engine/script";
import { Conversation, LiveRefusal } from "@/core/live/conversation";
import { changesInEffect } from "@/core/live/differences";
import { type Change, frameOf } from "@/core/live/frames";
import { StandInDevice } from "@/core/live/standInDevice";
import { scanTableOf } from "@/core/firmware/scanTable";
import { unlockChoices } from "@/core/firmware/unlock";
import { randomFrom } from "@/core/optimisation/random";

/** A design whose sticks move nothing and whose displays show nothing: the 8-bit chip takes neither beside lights, the pointer and live changes. */
export const withRoom = (design: Design): Design => ({
  ...design,
  keymap: { ...design.keymap, layers: design.keymap.layers.map((layer) => ({ ...layer, axes: {}, displays: {} })) },
});

/** A design with live changes. */
export const withLive = (design: Design): Design => ({
  ...design,
  reportSet: { ...design.reportSet, interfaces: [...new Set([...design.reportSet.interfaces, "live" as const])] },
});

/** Some changes of a device that it can carry out. */
export function someChanges(random: () => number, layers: number, inputs: number): Change[] {
  const places = new Set<number>();
  const most = Math.min(30, layers * inputs);
  const count = Math.floor(random() * most);
  while (places.size < count) places.add(Math.floor(random() * layers * inputs));
  return [...places].map((place) => {
    const kind = 1 + Math.floor(random() * 5);
    const value = kind >= 4 ? Math.floor(random() * layers) : 4 + Math.floor(random() * 100);
    return {
      layer: Math.floor(place / inputs),
      input: place % inputs,
      action: [kind, kind === 2 ? Math.floor(random() * 256) : 0, value, 0],
    };
  });
}

/**
 * A wild talk with a device: it is unlocked or not, told changes, asked rubbish, pressed in between, and loses its power.
 * The same for the same seed. @returns when it is over, in ms
 */
export async function talkWildly(design: Design, seed: number, watch: DeviceWatch): Promise<number> {
  const device = new StandInDevice(design, watch);
  const transport = device.transport();
  await transport.open();
  const talk = new Conversation(transport, device.clock);
  const random = randomFrom(seed);
  const switches = unlockChoices(scanTableOf(design));
  const key = () => switches[Math.floor(random() * switches.length)];
  const rubbish = () => Array.from({ length: 59 }, () => Math.floor(random() * (random() < 0.5 ? 4 : 256)));
  const pressed = () => Array.from({ length: 4 }, key).forEach((id) => device.press(id));
  const deeds = [
    pressed,
    () => device.unlock(),
    () => device.powerCut(),
    async () => {
      const command = Math.floor(random() * (COMMAND.FINISH + 2));
      const [first, count, ...payload] = rubbish();
      await transport.send(
        frameOf({ command, first, count, payload: payload.slice(0, 58) }, Math.floor(random() * 256)),
      );
      await device.clock.pause(250);
    },
    async () => {
      const hello = await talk.hello();
      device.hold(key(), true);
      await talk.write(someChanges(random, hello.layers, hello.inputs), hello);
      switches.forEach((id) => device.hold(id, false));
      pressed();
    },
    async () => {
      const keymap = await talk.read(await talk.hello());
      await talk.write(changesInEffect(keymap).slice(1), keymap.hello);
      pressed();
    },
  ];
  if (random() < 0.8) device.unlock();
  for (let nth = 0; nth < 8; nth++) {
    try {
      await deeds[Math.floor(random() * deeds.length)]();
    } catch (problem) {
      if (!(problem instanceof LiveRefusal)) throw problem;
    }
  }
  switches.forEach((id) => device.hold(id, false));
  await device.clock.pause(200);
  return device.nowMs;
}

/** The same as a script, and what must come of it. */
export async function recordLiveUse(design: Design, seed: number): Promise<FirmwareScript> {
  const recorder = scriptRecorder();
  return recorder.end(await talkWildly(design, seed, recorder.watch));
}
