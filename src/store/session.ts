import type { Design } from "@/core/document/schema";
import type { HostLanguage } from "@/core/languages/hostLanguage";
import type { Loaded } from "@/core/engine/preparedDevice";
import { checking } from "@/workers/checking";
import type { LanguageId } from "@/core/languages/ids";
import { loadLanguage } from "./hostLanguages";
import { fetchRuntime } from "./runtimeFile";
import type * as SessionDevice from "./sessionDevice";
import { type SessionState, useSession } from "./sessionState";

export { type Change, useSession } from "./sessionState";

/** The simulated device, loaded when one is first tried: the firmware and its world are only needed then. */
let loaded: typeof SessionDevice | null = null;
/** Counts starts and stops, so that a device that arrives too late is not powered. */
let turn = 0;

/** What the hand did before the device had woken; it is done then, in its order. */
let early: ((device: typeof SessionDevice) => void)[] = [];
const MOST_EARLY = 200;

function whenAwake(act: (device: typeof SessionDevice) => void): void {
  if (loaded && useSession.getState().running) {
    loaded.wakeUp();
    act(loaded);
  } else if (turn > 0 && early.length < MOST_EARLY) early.push(act);
}

/** What is said when the simulated device itself cannot be fetched. */
const UNREACHED = "The simulated device could not be fetched. See that the server runs, and open this stage again.";

let ofDesign: Design | null = null;

/** What the device is loaded with is worked out aside, where the rules are; without threads (in tests) here. */
async function loadedAside(design: Design): Promise<Loaded> {
  if (typeof Worker !== "undefined") return checking().loadedWith(design);
  await loadLanguage(design.keymap.hostLanguage);
  const [{ loadedWith }, { setDiodes }] = await Promise.all([
    import("@/core/engine/preparedDevice"),
    import("@/core/edits/matrixDiodes"),
  ]);
  return loadedWith(design, setDiodes(design, "none"));
}

/** The keyboard language that the computer is set to. */
const languageFor = ({ keymap }: Design): Promise<HostLanguage> =>
  loadLanguage(useSession.getState().language ?? keymap.hostLanguage);

/** What hears music and radios, and what draws segments and dots, comes with devices that have them. */
async function extrasOf({ reportSet, controls, controllers }: Design): Promise<SessionDevice.Extras> {
  const [music, segments, glass, radio, socket, parts, lights] = await Promise.all([
    reportSet.interfaces.includes("music") ? import("@/core/engine/hostMusic") : null,
    controls.some(({ kind }) => kind === "segments") ? import("@/core/engine/segmentDrivers") : null,
    controls.some(({ kind }) => kind === "display") ? import("@/core/engine/displayGlass") : null,
    controls.some(({ kind }) => kind === "radio") ? import("@/core/engine/radioLink") : null,
    controls.some(({ kind }) => kind === "music-socket") ? import("@/core/engine/socketHeard") : null,
    controllers.length > 1 ? import("@/core/engine/pairedDevice") : null,
    controls.some(({ kind }) => kind === "light") ? import("@/core/engine/lightColours") : null,
  ]);
  return {
    hear: music?.heardOf ?? null,
    Drivers: segments?.SegmentDrivers ?? null,
    Glass: glass?.DisplayGlass ?? null,
    Link: radio?.RadioLink ?? null,
    Ear: socket?.SocketEar ?? null,
    Pair: parts?.PairedDevice ?? null,
    colours: lights?.coloursOfChain ?? null,
  };
}

/** Powers the device: from the design as it is, at time 0. */
export async function startSession(next: Design): Promise<void> {
  const mine = (turn += 1);
  let device: typeof SessionDevice;
  let computer: HostLanguage;
  let tables: Loaded;
  let extras: SessionDevice.Extras;
  try {
    [device, computer, tables, extras] = await Promise.all([
      import("./sessionDevice"),
      languageFor(next),
      loadedAside(next),
      extrasOf(next),
      fetchRuntime(),
    ]);
  } catch {
    if (mine !== turn) return;
    early = [];
    return useSession.setState({ refusal: UNREACHED });
  }
  if (mine !== turn) return;
  loaded = device;
  device.startDevice(next, computer, tables, extras);
  ofDesign = next;
  for (const act of early.splice(0)) {
    device.wakeUp();
    act(device);
  }
}

/** Longest time for which the device stands still while another page or stage comes. */
const HOLD_MS = 1000;

/** The person goes elsewhere: the device stands still until it is stopped, started anew, or a while has passed. */
export const holdSession = (): void => loaded?.holdFrames(HOLD_MS);

export function stopSession(): void {
  turn += 1;
  early = [];
  loaded?.stopDevice();
}

export function setBounce(bounce: boolean): void {
  useSession.setState({ bounce });
  loaded?.powerAnew();
}

export function setNoisy(noisy: boolean): void {
  useSession.setState({ noisy });
  loaded?.powerAnew();
}

/** The computer is set to another keyboard language; null for the design's. */
export async function setComputerLanguage(language: LanguageId | null): Promise<void> {
  useSession.setState({ language });
  if (!ofDesign) return;
  const mine = turn;
  const computer = await languageFor(ofDesign);
  if (mine === turn && useSession.getState().language === language) loaded?.powerAnew(computer);
}

export function setWithoutDiodes(withoutDiodes: boolean): void {
  useSession.setState({ withoutDiodes });
  loaded?.powerAnew();
}

export const clearText = (): void => loaded?.forgetText();

/** Presses or lets go a switch element. */
export const pressElement = (elementId: string, pressed: boolean): void =>
  whenAwake((device) => device.pressContact(elementId, pressed));

/** Puts a contact that stays on or off; `others` of its control cannot be on at the same time. */
export const flipElement = (elementId: string, others: string[]): void =>
  whenAwake((device) => device.flipContact(elementId, others));

export const turnElement = (elementId: string, steps: number): void =>
  whenAwake((device) => device.turnKnob(elementId, steps));

/** Moves a wiper: -1 to 1 from where it rests to its ends. */
export const moveWiper = (elementId: string, place: number): void =>
  whenAwake((device) => device.moveWiperTo(elementId, place));

/** What the air does to a radio's packets from now on. */
export const setAir = (air: SessionState["air"]): void => useSession.setState({ air });

export const setLine = (line: SessionState["line"]): void => whenAwake((device) => device.changeLine(line));

export const setAsleep = (asleep: boolean): void => whenAwake((device) => device.putHostToSleep(asleep));

/** The computer tells the panel this, over its report. */
export const tellPanel = (told: SessionState["told"]): void => whenAwake((device) => device.tellDevice(told));

/** Lines of text over the device's serial port. @param told what it then shows */
export const sayLines = (lines: string[], told: SessionState["told"]): void =>
  whenAwake((device) => device.sayLines(lines, told));

/** Messages that a program on the computer plays to the device. @param told what it then shows */
export const playToDevice = (messages: number[][], told: SessionState["told"]): void =>
  whenAwake((device) => device.playToDevice(messages, told));

/** Turns a knob round once, as fast as the brief wishes. */
export const spinElement = (elementId: string): void => whenAwake((device) => device.spinKnob(elementId));

/** Lets go of all that a hand holds; what stays where it is put stays. */
export const releaseAll = (): void => loaded?.letGo();
