import { randomFrom } from "../optimisation/random";

/** How modules on one bus tell that something has happened. */
export const askings = ["one line", "two lines", "a line each", "polling"] as const;
export type Asking = (typeof askings)[number];

export interface QueueSpec {
  modules: number;
  /** Events of each module a second, by chance and apart from each other. */
  perSecond: number;
  /** Time to ask one module over the bus, in µs. */
  askUs: number;
  asking: Asking;
  /** Events that a module keeps until it is asked: one in its latch, or more in a queue. */
  keeps: number;
  /** From one round of polling to the next, in µs. */
  pollUs: number;
  /** The controller looks at the lines only this often, in µs; at once when left out. */
  looksUs?: number;
  /** Modules of a pulled line are asked in turn, one after the other round, only until it is let go; else all of them each time. */
  untilLetGo?: boolean;
}

/** Something that a module has to tell. */
export interface QueueEvent {
  atUs: number;
  module: number;
}

export interface QueueResult {
  events: number;
  lost: number;
  /** Of all events, 0 to 1. */
  lostPart: number;
  /** From an event to when it is read, in µs, of those that are. */
  meanWaitUs: number;
  worstWaitUs: number;
  /** Part of the time for which the bus is busy. */
  busy: number;
}

/** Times at which the modules' events come, each with its module, in order. */
function arrivals({ modules, perSecond }: QueueSpec, seconds: number, random: () => number): QueueEvent[] {
  const all: QueueEvent[] = [];
  for (let module = 0; module < modules; module++)
    for (let at = 0; ;) {
      at += (-Math.log(1 - random()) * 1e6) / perSecond;
      if (at >= seconds * 1e6) break;
      all.push({ atUs: at, module });
    }
  return all.sort((a, b) => a.atUs - b.atUs);
}

/** Which modules must be asked when one of them has something: those on its line. */
function lineOf(module: number, { asking, modules }: Pick<QueueSpec, "asking" | "modules">): number[] {
  const all = Array.from({ length: modules }, (_, nth) => nth);
  if (asking === "a line each") return [module];
  if (asking === "two lines") return all.filter((nth) => nth % 2 === module % 2);
  return all;
}

/**
 * Events of modules on one bus, one after another: what comes while a module's latch is full is lost. With a line that
 * several share each event makes the controller ask all of them; polling asks all of them whether or not anything came.
 * The module that has waited longest is served first; a module is read at the end of its own asking.
 */
export const playQueue = (spec: QueueSpec, seed: number, seconds: number): QueueResult =>
  playEvents(spec, arrivals(spec, seconds, randomFrom(seed)));

type Asked = Omit<QueueSpec, "perSecond">;

/** Modules that keep what they have to tell until they are asked, and the controller that asks them. */
class Bus {
  nowUs = 0;
  lost = 0;
  read = 0;
  waitedUs = 0;
  worstUs = 0;
  busyUs = 0;
  private nth = 0;
  private last = 0;
  private readonly kept: number[][];

  constructor(
    private readonly spec: Asked,
    private readonly events: QueueEvent[],
  ) {
    this.kept = Array.from({ length: spec.modules }, () => []);
  }

  /** What has happened up to now: a module whose latch is full loses it. */
  take() {
    for (; this.nth < this.events.length && this.events[this.nth].atUs <= this.nowUs; this.nth++) {
      const { atUs, module } = this.events[this.nth];
      if (this.kept[module].length < this.spec.keeps) this.kept[module].push(atUs);
      else this.lost += 1;
    }
  }

  get comesNextUs(): number | null {
    return this.events[this.nth]?.atUs ?? null;
  }

  /** One asking tells one event; a latch holds no more. */
  ask(module: number) {
    this.nowUs += this.spec.askUs;
    this.busyUs += this.spec.askUs;
    this.take();
    const atUs = this.kept[module].shift();
    if (atUs === undefined) return;
    this.read += 1;
    this.waitedUs += this.nowUs - atUs;
    this.worstUs = Math.max(this.worstUs, this.nowUs - atUs);
  }

  /** The module that has waited longest; null while none waits. */
  get oldest(): number | null {
    const waiting = this.kept.flatMap(([atUs], module) => (atUs === undefined ? [] : [{ atUs, module }]));
    return waiting.length === 0 ? null : waiting.reduce((one, two) => (two.atUs < one.atUs ? two : one)).module;
  }

  /** The next one round whose line is pulled. */
  private next(): number {
    do this.last = (this.last + 1) % this.spec.modules;
    while (!lineOf(this.last, this.spec).some((nth) => this.kept[nth].length > 0));
    return this.last;
  }

  /** Whom a pulled line makes the controller ask, once it looks. */
  called(waiting: number): number[] {
    const { looksUs = 0, untilLetGo } = this.spec;
    if (looksUs > 0) this.nowUs = (Math.floor(this.nowUs / looksUs) + 1) * looksUs;
    this.take();
    return untilLetGo ? [this.next()] : lineOf(waiting, this.spec);
  }
}

/** The same of events at given times, in their order. */
export function playEvents(spec: Asked, events: QueueEvent[]): QueueResult {
  const bus = new Bus(spec, events);
  for (let nextPollUs = 0; ;) {
    bus.take();
    const { oldest: waiting, comesNextUs } = bus;
    if (waiting === null && comesNextUs === null) break;
    if (spec.asking === "polling") {
      bus.nowUs = Math.max(bus.nowUs, nextPollUs);
      nextPollUs += spec.pollUs;
      bus.take();
      for (const module of lineOf(0, spec)) bus.ask(module);
    } else if (waiting === null) bus.nowUs = Math.max(bus.nowUs, comesNextUs!);
    else for (const module of bus.called(waiting)) bus.ask(module);
  }
  const { lost, read, nowUs } = bus;
  return {
    events: events.length,
    lost,
    lostPart: events.length === 0 ? 0 : lost / events.length,
    meanWaitUs: read === 0 ? 0 : bus.waitedUs / read,
    worstWaitUs: bus.worstUs,
    busy: nowUs === 0 ? 0 : bus.busyUs / nowUs,
  };
}

/** The rate of events a module and second up to which no more than this part is lost. */
const MOST_LOST = 0.001;

/** Share lost by rate, for each way of telling; and the highest of the rates at which hardly any is lost. */
export function lossByRate(
  spec: Omit<QueueSpec, "perSecond" | "asking">,
  rates: number[],
  seed: number,
  seconds: number,
) {
  const lines = askings.map((asking) => ({
    asking,
    points: rates.map((perSecond) => ({ perSecond, ...playQueue({ ...spec, asking, perSecond }, seed, seconds) })),
  }));
  const sure = lines.map(({ asking, points }) => {
    const firstLoss = points.findIndex(({ lostPart }) => lostPart > MOST_LOST);
    return { asking, sureUpTo: firstLoss < 0 ? rates.at(-1)! : firstLoss === 0 ? 0 : rates[firstLoss - 1] };
  });
  return { lines, sure };
}
export type LossByRate = ReturnType<typeof lossByRate>;
