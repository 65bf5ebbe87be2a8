import type { Design } from "@/core/document/schema";
import type { Clock, Conversation, DeviceKeymap } from "@/core/live/conversation";
import type { Change, Hello } from "@/core/live/frames";
import type { StandInDevice } from "@/core/live/standInDevice";
import { type Transport, TransportClosed } from "@/core/loader/transport";
import { chooseDevice, hidTransport } from "./hidTransport";
import { type LiveDoing, apart, useLiveDevice } from "./liveState";
import { loadLanguage } from "./hostLanguages";
import { fetchRuntime } from "./runtimeFile";

const put = useLiveDevice.setState;

interface Joined {
  transport: Transport;
  talk: Conversation;
  clock: Clock;
  standIn: StandInDevice | null;
}
let joined: Joined | null = null;
/** Counts what was begun: what is overtaken says nothing more. */
let run = 0;
/** What waits for a hand on the device asks so often, and so long. */
const ASK_AGAIN_MS = 200;
const PATIENCE_MS = 60_000;

const wordsOf = (problem: unknown) => (problem instanceof Error ? problem.message : String(problem));

/** Begins something with the device; whatever fails leaves words, and the device's last known state. */
async function during(doing: LiveDoing, what: (own: number) => Promise<string>): Promise<void> {
  const own = ++run;
  put({ doing, words: "", isTrouble: false });
  try {
    const words = await what(own);
    if (own === run) put({ doing: { doing: "nothing" }, words, isTrouble: false });
  } catch (problem) {
    if (own !== run) return;
    if (problem instanceof TransportClosed)
      return void (await leave("The device went away. What was sealed on it stays."));
    put({ doing: { doing: "nothing" }, words: wordsOf(problem), isTrouble: true });
  }
}

async function join(on: "device" | "stand-in", name: string, transport: Transport, standIn: StandInDevice | null) {
  await during({ doing: "reading" }, async (own) => {
    const { Conversation: Talk, wallClock } = await import("@/core/live/conversation");
    try {
      await transport.open();
    } catch (problem) {
      throw new Error(
        `The device could not be opened (${wordsOf(problem)}). Close what else uses it, and connect anew.`,
        {
          cause: problem,
        },
      );
    }
    const clock = standIn?.clock ?? wallClock;
    const talk = new Talk(transport, clock);
    const keymap = await talk.read(await talk.hello()).catch(async (problem: unknown) => {
      await transport.close().catch(() => {});
      throw problem;
    });
    if (own !== run) {
      await transport.close().catch(() => {});
      return "";
    }
    joined = { transport, talk, clock, standIn };
    put({ ...apart, on, name, keymap });
    return "";
  });
}

/** Asks for a device and reads its keymap. */
export async function connectDevice(): Promise<void> {
  await leave();
  const own = ++run;
  put({ ...apart, doing: { doing: "choosing" } });
  try {
    const device = await chooseDevice();
    if (own !== run) return;
    if (!device) return put({ ...apart, words: "No device was chosen; nothing was changed.", isTrouble: true });
    await join("device", device.productName, hidTransport(device), null);
  } catch (problem) {
    put({ ...apart, words: `The browser gives no device: ${wordsOf(problem)}.`, isTrouble: true });
  }
}

/** A device of the app's own, loaded with the design as it is now. */
export async function connectStandIn(design: Design): Promise<void> {
  await leave();
  const own = ++run;
  put({ ...apart, doing: { doing: "reading" } });
  let standIn: StandInDevice;
  try {
    const [{ StandInDevice: Device }] = await Promise.all([
      import("@/core/live/standInDevice"),
      fetchRuntime(),
      loadLanguage(design.keymap.hostLanguage),
    ]);
    if (own !== run) return;
    standIn = new Device(design);
  } catch (problem) {
    if (own !== run) return;
    return put({ ...apart, words: `No stand-in: ${wordsOf(problem)}.`, isTrouble: true });
  }
  await join("stand-in", "Stand-in device", standIn.transport(), standIn);
}

/** Lets go of the device, which goes on as it is. */
export async function leave(words = ""): Promise<void> {
  run++;
  const was = joined;
  joined = null;
  put({ ...apart, words, isTrouble: words !== "" });
  await was?.transport.close().catch(() => {});
}

async function reread(talk: Conversation): Promise<DeviceKeymap> {
  const keymap = await talk.read(await talk.hello());
  put({ keymap });
  return keymap;
}

export const readAgain = (): Promise<void> =>
  during({ doing: "reading" }, async () => {
    await reread(joined!.talk);
    return "Read again.";
  });

/** Asks until a hand has done something on the device. @returns null when somebody gave it up */
async function until(own: number, isSo: (hello: Hello) => boolean, forWhat: "unlocking" | "letting go") {
  const { talk, standIn } = joined!;
  const end = Date.now() + PATIENCE_MS;
  for (;;) {
    const hello = await talk.hello();
    if (isSo(hello)) return hello;
    if (own !== run) return null;
    if (Date.now() > end) throw new Error(`Nobody came for ${forWhat}; nothing else was changed. Try again.`);
    put({ doing: { doing: "waiting", forWhat } });
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
    if (standIn) await standIn.clock.pause(ASK_AGAIN_MS);
  }
}

async function write(own: number, changes: Change[]): Promise<string> {
  const { talk } = joined!;
  const { changesInEffect } = await import("@/core/live/differences");
  const hello = await until(own, ({ isUnlocked }) => isUnlocked, "unlocking");
  if (!hello) return "";
  const before = changesInEffect(useLiveDevice.getState().keymap!);
  put({ doing: { doing: "sending", done: 0, of: 1 } });
  await talk.write(changes, hello, (done, of) => own === run && put({ doing: { doing: "sending", done, of } }));
  put({ before });
  if (!(await until(own, ({ isWaiting }) => !isWaiting, "letting go"))) return "";
  const keymap = await reread(talk);
  const kept = changesInEffect(keymap).length;
  return keymap.hello.forgets
    ? "In effect until the power is off: this board has nowhere to keep it."
    : `In effect and kept: ${kept === 0 ? "all is as it was loaded" : `${kept} ${kept === 1 ? "change" : "changes"}`}.`;
}

/** Makes the device do as the design says. */
export const sendChanges = (changes: Change[]): Promise<void> =>
  during({ doing: "reading" }, (own) => write(own, changes));

/** Puts the set before the last one in effect again. */
export function undoChanges(): Promise<void> {
  const { before } = useLiveDevice.getState();
  return before ? sendChanges(before) : Promise.resolve();
}

/** Gives up waiting for a hand. */
export function giveUp(): void {
  run++;
  put({ doing: { doing: "nothing" }, words: "Given up; nothing else was changed.", isTrouble: false });
}

/** What can be done to the stand-in by hand; none of it interrupts what waits for it. */
export function unlockStandIn(): void {
  const done = joined?.standIn?.unlock();
  if (done === false) put({ words: "It has no two keys to unlock it.", isTrouble: true });
}

export function cutStandInPower(): Promise<void> {
  return during({ doing: "reading" }, async () => {
    joined?.standIn?.powerCut();
    await reread(joined!.talk);
    return "Its power went and came back; this is what it kept.";
  });
}

/** The stand-in's plug is moved to another of its parts. @param name what that is called */
export function plugStandInInto(part: number, name: string): Promise<void> {
  return during({ doing: "reading" }, async () => {
    joined?.standIn?.plugInto(part);
    put({ plugged: part, before: null });
    await reread(joined!.talk);
    return `Its plug is in ${name}; this is what that keeps.`;
  });
}

export function pressOnStandIn(elementId: string, label: string): void {
  const did = joined?.standIn?.press(elementId);
  if (!did) return;
  const what = [did.typed && `types "${did.typed}"`, ...did.deeds].filter(Boolean).join(", ");
  put({ words: `${label} on it: ${what || "nothing comes of it"}.`, isTrouble: false });
}

/** Where so many sensors of the device stand; null while something else goes on with it, or it is gone. */
export async function sensorsOnDevice(count: number): Promise<number[] | null> {
  if (!joined || useLiveDevice.getState().doing.doing !== "nothing") return null;
  return joined.talk.sensors(count);
}

/** Moves a wiper of the stand-in, -1 to 1 from where it rests. */
export function moveOnStandIn(elementId: string, place: number): void {
  joined?.standIn?.move(elementId, place);
}
