import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { loadedWith } from "../engine/preparedDevice";
import { PairedDevice } from "../engine/pairedDevice";
import { bringInlineRuntime } from "../engine/inlineRuntime";
import { usagesIn } from "../hid/everyKey";
import { assembledOf } from "./assembled";
import type { Bend, Fault } from "./fault";
import { FaultyWorld, type WorldBase, worldBaseOf } from "./faultyWorld";
import { type Outcome, outcomeIn, sweepOutcome } from "./predict";
import { testKeymapOf } from "./testKeymap";
import type { TrialDeed } from "./trial";

/** Bytes in front of the bits of all keys: modifiers, nothing, six keys. */
const BOOT_BYTES = 8;
/** Longer than any debounce a design can have, in ms. */
const SETTLE_MS = 400;
const PRESS_MS = 150;
const TURNED_STEPS = 4;

/**
 * A device to be tested that is not there: the real firmware, loaded with the keymap for tests, on this design's circuits with
 * faults in them. What it tells comes out of its reports, as of a device on a cable.
 */
export class StandInDevice {
  private readonly base: WorldBase;
  private readonly keymap: ReturnType<typeof testKeymapOf>;
  private readonly loaded: ReturnType<typeof loadedWith>;

  constructor(
    design: Design,
    private readonly faults: readonly Fault[],
  ) {
    bringInlineRuntime();
    this.base = worldBaseOf(assembledOf(design));
    this.keymap = testKeymapOf(design);
    this.loaded = loadedWith(this.keymap.design, this.keymap.design);
  }

  /** What comes when a hand does this. What no report tells is what an eye or a meter would see. */
  answer(deed: TrialDeed): Outcome {
    if (this.loaded.tooMuch !== null || this.base.scan.ladders.length > 0)
      return outcomeIn(new FaultyWorld(this.base, this.faults), deed);
    if (new FaultyWorld(this.base, this.faults).isOff) return outcomeIn(new FaultyWorld(this.base, this.faults), deed);
    if (deed.does === "idle") return this.idle();
    if (deed.does === "hold") return joined(this.held(deed.held));
    if (deed.does === "sweep") return sweepOutcome(deed.each.map((id) => [id, joined(this.held([id]))]));
    if (deed.does === "turn") return this.turned(deed.elementId);
    if (deed.does === "bend" && deed.held.every((id) => this.kindOf(id) === "switch"))
      return this.bent(deed.held, deed.bend);
    return outcomeIn(new FaultyWorld(this.base, this.faults), deed);
  }

  private kindOf(id: string) {
    return derive(this.base.assembled.design).elements.get(id)?.kind;
  }

  private start(bend: Bend | null = null): Running {
    return new Running(this.keymap, this.loaded, new FaultyWorld(this.base, this.faults, bend));
  }

  /** Lines that nothing holds are told by chance: here they are told as what they are. */
  private idle(): Outcome {
    const electrical = outcomeIn(new FaultyWorld(this.base, this.faults), { does: "idle" });
    if (electrical === "off" || electrical.includes("~")) return electrical;
    const device = this.start();
    device.run(SETTLE_MS);
    return joined(device.down());
  }

  private held(ids: string[]): string[] {
    const device = this.start();
    device.run(SETTLE_MS);
    const before = new Set(device.down());
    device.forget();
    for (const id of ids) this.press(device, id);
    device.run(PRESS_MS);
    return device
      .begun()
      .filter(({ id }) => !before.has(id))
      .map(({ id, times }) => (times > 1 ? `${id}*2` : id));
  }

  /** A contact that bounces longer than the firmware waits closes twice. */
  private press(device: Running, id: string) {
    device.press(id, true);
    if (!this.faults.some((fault) => fault.kind === "bounce" && fault.elementId === id)) return;
    device.run(PRESS_MS);
    device.press(id, false);
    device.run(PRESS_MS);
    device.press(id, true);
  }

  private bent(ids: string[], bend: Bend): Outcome {
    const told = (at: Bend | null) => {
      const device = this.start(at);
      device.run(SETTLE_MS);
      for (const id of ids) device.press(id, true);
      device.run(PRESS_MS);
      return new Set(device.everBegun());
    };
    const [before, then] = [told(null), told(bend)];
    return joined(ids.filter((id) => before.has(id) && !then.has(id)));
  }

  private turned(elementId: string): Outcome {
    const device = this.start();
    device.run(SETTLE_MS);
    const before = new Set(device.down());
    device.forget();
    const wrong = this.faults.some((fault) => fault.kind === "other-part" && fault.elementId === elementId);
    device.turn(elementId, TURNED_STEPS * (wrong ? 2 : 1));
    device.run(SETTLE_MS);
    const [steps, beside] = device.stepsOf(elementId);
    return joined([String(steps), ...beside.filter((id) => !before.has(id))]);
  }
}

const joined = (ids: string[]): Outcome => [...ids].sort().join("+");

/** One run of the device from power on. */
class Running {
  private readonly device: PairedDevice;
  private usages = new Set<number>();
  private counts = new Map<number, number>();

  constructor(
    private readonly keymap: ReturnType<typeof testKeymapOf>,
    { tables, parts }: ReturnType<typeof loadedWith>,
    world: FaultyWorld,
  ) {
    const scan = {
      ...parts.scan,
      conductors: world.scan.conductors,
      strobeLines: world.scan.strobeLines,
      senseLines: world.scan.senseLines,
    };
    this.device = new PairedDevice(
      keymap.design,
      tables,
      { ...parts, scan, edgeEncoders: [] },
      {
        report: ({ interface: kind, bytes }) => kind === "keyboard" && this.take(bytes),
      },
    );
    for (const contact of world.alwaysClosed()) this.device.press(contact, true);
  }

  private take(bytes: Uint8Array) {
    const now = new Set(usagesIn(bytes.subarray(BOOT_BYTES)));
    for (const usage of now) if (!this.usages.has(usage)) this.counts.set(usage, (this.counts.get(usage) ?? 0) + 1);
    this.usages = now;
  }

  run(ms: number) {
    this.device.runUntil(this.device.nowMs + ms);
  }

  press(id: string, closed: boolean) {
    this.device.press(id, closed);
  }

  turn(id: string, steps: number) {
    this.device.turn(id, steps);
  }

  forget() {
    this.counts = new Map();
  }

  private pressesOf(usages: Iterable<number>): string[] {
    return [...usages].flatMap((usage) => {
      const input = this.keymap.inputOf.get(usage);
      return input?.motion === "press" ? [input.elementId] : [];
    });
  }

  down(): string[] {
    return [...new Set(this.pressesOf(this.usages))];
  }

  /** What was told newly, and how often. */
  begun(): { id: string; times: number }[] {
    return [...this.counts].flatMap(([usage, times]) => this.pressesOf([usage]).map((id) => ({ id, times })));
  }

  everBegun(): string[] {
    return this.pressesOf(this.counts.keys());
  }

  /** Felt steps of a knob, clockwise less anticlockwise, and what else was told. */
  stepsOf(elementId: string): [steps: number, beside: string[]] {
    let steps = 0;
    for (const [usage, times] of this.counts) {
      const input = this.keymap.inputOf.get(usage);
      if (input?.elementId === elementId && input.motion !== "press")
        steps += input.motion === "clockwise" ? times : -times;
    }
    return [steps, this.everBegun()];
  }
}
