import { REPORTS } from "../contract/contract";
import { consumerUsageNamed } from "../hid/consumerUsages";
import { usagesIn } from "../hid/everyKey";
import { POINTER_BUTTONS, type Pointing, movementOf, movementWords, stillPointer } from "../hid/pointerWords";
import { placeOf, placeWords } from "../hid/pointerPlace";
import { SYSTEM_USAGES, systemDeeds } from "../hid/systemUsages";
import { keyboardUsageNamed, modifierNames } from "../hid/keyboardUsages";
import type { HostLanguage } from "../languages/hostLanguage";
import { Typist } from "../languages/typist";
import { usEnglish } from "../languages/usEnglish";
import type { TimedReport } from "./device";
import { type MusicHeard, silence } from "./musicHeard";

const CAPS_LOCK = 0x39;
const LOCK_USAGES: Record<number, number> = { 0x53: 1, [CAPS_LOCK]: 2, 0x47: 4 };
const BACKSPACE = 0x2a;

/** What stands behind so many bytes of a keyboard's report is a bit for each usage, and told so in its descriptor. */
const BOOT_BYTES = REPORTS.keyboard.bytes;

/** What a host did on a report that is not typing: "Left Control + C", "Volume Increment". */
export interface HostDeed {
  atMs: number;
  deed: string;
  /** Of the pointer, in counts right and down, and steps of its wheel up and right. */
  movement?: number[];
  /** The pointer was put somewhere. */
  isPlace?: true;
}

const pointerDeed = (movement: number[]) =>
  movementWords(movement).replace(/^(?=\d)/, "pointer ") || "pointer there and back";

/** A computer, set to a keyboard language, that receives the device's reports. */
export class HostStandIn {
  text = "";
  readonly deeds: HostDeed[] = [];
  /** Lock lights it would switch on: bit 0 num, 1 caps, 2 scroll. */
  locks = 0;
  /** What the pointer has done so far. */
  pointing: Pointing = stillPointer;
  /** What it hears. */
  heard: MusicHeard = silence;
  private system = 0;
  private keysDown = new Set<number>();
  private readonly typist: Typist;

  /** @param hear heardOf, where music is to be heard */
  constructor(
    language: HostLanguage = usEnglish,
    private readonly hear: ((heard: MusicHeard, report: TimedReport) => MusicHeard) | null = null,
  ) {
    this.typist = new Typist(language);
  }

  receive(report: TimedReport): void {
    if (report.interface === "pointer") this.receivePointer(report);
    else if (report.interface === "place") this.receivePlace(report);
    else if (report.interface === "system") this.receiveSystem(report);
    else if (report.interface === "consumer") this.receiveConsumer(report);
    else if (report.interface === "music") this.heard = this.hear?.(this.heard, report) ?? this.heard;
    else if (report.interface === "keyboard") this.receiveKeyboard(report);
  }

  /** Movements that follow each other are one deed, which grows. */
  private receivePointer({ atMs, bytes }: TimedReport) {
    const movement = movementOf(bytes);
    const last = this.deeds.at(-1);
    const { pointer, buttons, wheel } = this.pointing;
    const pressed = POINTER_BUTTONS.filter((_, nth) => ((bytes[0] & ~buttons) >> nth) & 1);
    const letGo = POINTER_BUTTONS.filter((_, nth) => ((buttons & ~bytes[0]) >> nth) & 1);
    this.pointing = {
      ...this.pointing,
      buttons: bytes[0],
      pointer: [pointer[0] + movement[0], pointer[1] + movement[1]],
      wheel: [wheel[0] + movement[2], wheel[1] + movement[3]],
    };
    if (movement.some((counts) => counts !== 0)) {
      const goesOn = last?.movement !== undefined;
      const sum = goesOn ? movement.map((counts, nth) => counts + last.movement![nth]) : movement;
      if (goesOn) this.deeds.pop();
      this.deeds.push({ atMs: goesOn ? last.atMs : atMs, deed: pointerDeed(sum), movement: sum });
    }
    for (const button of pressed) this.deeds.push({ atMs, deed: `${button} button` });
    for (const button of letGo) this.deeds.push({ atMs, deed: `${button} button let go` });
  }

  /** Places that follow each other are one deed: where it came to. */
  private receivePlace({ atMs, bytes }: TimedReport) {
    const place = placeOf(bytes);
    const last = this.deeds.at(-1);
    this.pointing = { ...this.pointing, pointer: [0, 0], place };
    if (last?.isPlace) this.deeds.pop();
    this.deeds.push({ atMs: last?.isPlace ? last.atMs : atMs, deed: `pointer at ${placeWords(place)}`, isPlace: true });
  }

  private receiveSystem({ atMs, bytes }: TimedReport) {
    const pressed = systemDeeds.filter((_, nth) => ((bytes[0] & ~this.system) >> nth) & 1);
    this.system = bytes[0];
    for (const deed of pressed) this.deeds.push({ atMs, deed: SYSTEM_USAGES[deed].name });
  }

  private receiveConsumer({ atMs, bytes }: TimedReport) {
    const usage = bytes[0] | (bytes[1] << 8);
    if (usage !== 0) this.deeds.push({ atMs, deed: consumerUsageNamed(usage) });
  }

  private receiveKeyboard({ atMs, bytes }: TimedReport) {
    const everyKey = bytes.subarray(BOOT_BYTES);
    const keys = everyKey.length > 0 ? usagesIn(everyKey) : [...bytes.subarray(2)].filter((usage) => usage > 3);
    // All six at 1 is "too many keys": the host keeps what it had (USB HID 1.11, appendix C).
    if (bytes[2] === 1 && everyKey.length === 0) return;
    for (const usage of keys) if (!this.keysDown.has(usage)) this.keyDown(atMs, usage, bytes[0]);
    this.keysDown = new Set(keys);
  }

  private keyDown(atMs: number, usage: number, modifiers: number) {
    const capsLock = (this.locks & 2) !== 0;
    this.locks ^= LOCK_USAGES[usage] ?? 0;
    if (usage === BACKSPACE && modifiers === 0) this.text = this.text.slice(0, -1);
    const typed = this.typist.press(usage, modifiers, capsLock);
    this.text += typed ?? "";
    const waits = this.typist.waits;
    if (waits) this.deeds.push({ atMs, deed: `accent (${waits}) for the next letter` });
    if (typed === null)
      this.deeds.push({ atMs, deed: [...modifierNames(modifiers), keyboardUsageNamed(usage)].join(" + ") });
  }
}
