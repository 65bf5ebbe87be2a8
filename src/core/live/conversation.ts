import { FRAME_AT, FRAME_BYTES, LIVE_VERSION, STATUS } from "../contract/live";
import { LIMITS, TABLE_VERSION } from "../contract/contract";
import { type Transport, TransportClosed } from "../loader/transport";
import {
  type ActionBytes,
  type Change,
  type Hello,
  actionsIn,
  frameOf,
  helloOf,
  helloQuestion,
  inOrder,
  poolIn,
  poolQuestions,
  readQuestions,
  readingsIn,
  sensorQuestions,
  writeQuestions,
} from "./frames";

/** What a device has said about its keymap. */
export interface DeviceKeymap {
  hello: Hello;
  /** Layer by layer, input by input. */
  loaded: ActionBytes[];
  active: ActionBytes[];
  pool: number[];
}

/** What the device said instead of yes. */
export class LiveRefusal extends Error {
  constructor(
    readonly status: number,
    words: string,
  ) {
    super(words);
  }
}

const REFUSALS: Record<number, string> = {
  [STATUS.LOCKED]: "The device is locked: hold its two unlocking switches, then try again. Nothing was changed.",
  [STATUS.UNKNOWN]: "The device does not know this order: its firmware is older or newer. Load it again.",
  [STATUS.TOO_MANY]: "These are more changes than the device keeps: load it again.",
  [STATUS.UNSOUND]: "The device cannot carry out one of the changes: load it again. What it did before still holds.",
  [STATUS.OUT_OF_TURN]: "The device was interrupted: somebody else is changing it, or it was switched off. Try again.",
  [STATUS.TORN]: "What the device kept is not what was sent. What it did before still holds; try again.",
  [STATUS.WAITING]:
    "The set before is not in effect yet: let go of every key, and put switches back that hold a layer.",
};

/** How often an answer is asked for, and how long it may take: a frame of changes takes 54 bytes of 3.4 ms, rounded up. */
const POLL_MS = 5;
const ANSWER_MS = 3000;

/** Time that passes, so that a stand-in can have a time of its own. */
export interface Clock {
  now(): number;
  pause(ms: number): Promise<void>;
}
export const wallClock: Clock = {
  now: () => Date.now(),
  pause: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
};

/** A talk about live changes with one device: question and answer, one at a time. */
export class Conversation {
  private token = 0;
  private before: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly transport: Transport,
    private readonly clock: Clock = wallClock,
  ) {}

  /**
   * Questions of all who talk with the device wait for each other.
   * @throws LiveRefusal, TransportClosed, or an Error when no answer comes
   */
  private ask(question: Parameters<typeof frameOf>[0]): Promise<Uint8Array> {
    const answer = this.before.then(() => this.askNow(question));
    this.before = answer.catch(() => {});
    return answer;
  }

  private async askNow(question: Parameters<typeof frameOf>[0]): Promise<Uint8Array> {
    this.token = (this.token % 255) + 1;
    const until = this.clock.now() + ANSWER_MS;
    await this.send(frameOf(question, this.token), until);
    for (;;) {
      const came = await this.transport.receive(POLL_MS);
      if (this.isAnswer(came, question.command)) return this.judged(came);
      if (this.clock.now() >= until)
        throw new Error("The device does not answer. Unplug it, plug it in, and connect anew.");
      await this.clock.pause(POLL_MS);
    }
  }

  /** A device takes no frame while it works on another, of somebody else's or of a page that was closed: then again. */
  private async send(frame: Uint8Array, until: number): Promise<void> {
    for (;;) {
      try {
        return await this.transport.send(frame);
      } catch (problem) {
        if (problem instanceof TransportClosed || this.clock.now() >= until) throw problem;
        await this.clock.pause(POLL_MS);
      }
    }
  }

  private isAnswer(came: Uint8Array, command: number): boolean {
    const status = came[FRAME_AT.STATUS];
    return (
      came.length >= FRAME_BYTES - 1 &&
      came[FRAME_AT.COMMAND] === command &&
      came[FRAME_AT.TOKEN] === this.token &&
      status !== 0 &&
      status !== STATUS.WORKING
    );
  }

  private judged(answer: Uint8Array): Uint8Array {
    const status = answer[FRAME_AT.STATUS];
    if (status === STATUS.OK) return answer;
    throw new LiveRefusal(
      status,
      REFUSALS[status] ?? `The device answers with a number that means nothing: ${status}.`,
    );
  }

  /** @throws LiveRefusal for a device of another version */
  async hello(): Promise<Hello> {
    const hello = helloOf(await this.ask(helloQuestion));
    if (hello.liveVersion !== LIVE_VERSION || hello.tableVersion !== TABLE_VERSION)
      throw new LiveRefusal(STATUS.UNKNOWN, REFUSALS[STATUS.UNKNOWN]);
    if (hello.layers > LIMITS.LAYERS || hello.inputs > LIMITS.INPUTS || hello.poolBytes > LIMITS.TABLE_BYTES)
      throw new LiveRefusal(STATUS.UNKNOWN, "The device answers with numbers that no device can have. Load it again.");
    return hello;
  }

  /** All actions of a device, as loaded and in effect, and its pool. */
  async read(hello: Hello): Promise<DeviceKeymap> {
    const all = async (which: "active" | "loaded") => {
      const actions: ActionBytes[] = [];
      for (let layer = 0; layer < hello.layers; layer++)
        for (const question of readQuestions(which, layer, hello.inputs))
          actions.push(...actionsIn(await this.ask(question)));
      return actions;
    };
    const loaded = await all("loaded");
    const active = hello.changes > 0 ? await all("active") : loaded;
    const pool: number[] = [];
    for (const question of poolQuestions(hello.poolBytes)) pool.push(...poolIn(await this.ask(question)));
    return { hello, loaded, active, pool };
  }

  /**
   * Where so many sensors stand, in parts of 65536 of the supply.
   * @throws LiveRefusal for a device that has fewer
   */
  async sensors(count: number): Promise<number[]> {
    const readings: number[] = [];
    for (const question of sensorQuestions(count)) readings.push(...readingsIn(await this.asked(question)));
    return readings;
  }

  private async asked(question: Parameters<typeof frameOf>[0]): Promise<Uint8Array> {
    try {
      return await this.ask(question);
    } catch (problem) {
      if (problem instanceof LiveRefusal && problem.status === STATUS.UNSOUND)
        throw new LiveRefusal(problem.status, "The device has fewer sticks, pots and levers than the design: load it.");
      throw problem;
    }
  }

  /**
   * Sends a set, which takes the place of the one before; in effect as soon as nothing is held.
   * @param tell how many of how many frames the device has kept
   */
  async write(changes: Change[], hello: Hello, tell: (done: number, of: number) => void = () => {}): Promise<void> {
    const questions = writeQuestions(inOrder(changes), hello);
    for (const [nth, question] of questions.entries()) {
      tell(nth, questions.length);
      await this.ask(question);
    }
    tell(questions.length, questions.length);
  }
}
