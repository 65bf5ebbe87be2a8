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
function arrivals({ modules, perSecond }: QueueSpec, seconds: number, random: () => number) {
  const all: { atUs: number; module: number }[] = [];
  for (let module = 0; module < modules; module++)
    for (let at = 0; ;) {
      at += (-Math.log(1 - random()) * 1e6) / perSecond;
      if (at >= seconds * 1e6) break;
      all.push({ atUs: at, module });
    }
  return all.sort((a, b) => a.atUs - b.atUs);
}

/** Which modules must be asked when one of them has something: those on its line. */
function lineOf(module: number, { asking, modules }: QueueSpec): number[] {
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
export function playQueue(spec: QueueSpec, seed: number, seconds: number): QueueResult {
  const events = arrivals(spec, seconds, randomFrom(seed));
  const kept: number[][] = Array.from({ length: spec.modules }, () => []);
  let [nowUs, nth, lost, waits, worst, read, busyUs, nextPollUs] = [0, 0, 0, 0, 0, 0, 0, 0];
  const take = (untilUs: number) => {
    for (; nth < events.length && events[nth].atUs <= untilUs; nth++) {
      const { atUs, module } = events[nth];
      if (kept[module].length < spec.keeps) kept[module].push(atUs);
      else lost += 1;
    }
  };
  const ask = (module: number) => {
    nowUs += spec.askUs;
    busyUs += spec.askUs;
    take(nowUs);
    // One asking tells one event; a latch holds no more.
    const atUs = kept[module].shift();
    if (atUs === undefined) return;
    read += 1;
    waits += nowUs - atUs;
    worst = Math.max(worst, nowUs - atUs);
  };
  const oldest = () => {
    let best = -1;
    for (let module = 0; module < spec.modules; module++)
      if (kept[module].length > 0 && (best < 0 || kept[module][0] < kept[best][0])) best = module;
    return best;
  };
  for (;;) {
    take(nowUs);
    if (spec.asking === "polling") {
      if (nth >= events.length && oldest() < 0) break;
      nowUs = Math.max(nowUs, nextPollUs);
      nextPollUs += spec.pollUs;
      take(nowUs);
      for (const module of lineOf(0, spec)) ask(module);
      continue;
    }
    const waiting = oldest();
    if (waiting < 0) {
      if (nth >= events.length) break;
      nowUs = Math.max(nowUs, events[nth].atUs);
      continue;
    }
    for (const module of lineOf(waiting, spec)) ask(module);
  }
  const total = events.length;
  return {
    events: total,
    lost,
    lostPart: total === 0 ? 0 : lost / total,
    meanWaitUs: read === 0 ? 0 : waits / read,
    worstWaitUs: worst,
    busy: nowUs === 0 ? 0 : busyUs / nowUs,
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
