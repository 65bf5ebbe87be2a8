import { type ChildProcessWithoutNullStreams, spawn } from "node:child_process";
import { createInterface } from "node:readline";
import { toHex } from "@/core/hex";
import { type Transport, TransportClosed } from "@/core/loader/transport";
import type { Clock } from "@/core/live/conversation";

/** The simulated chip on the other side of a conversation: its time passes only when it is told to. */
export class ChipTalk {
  private readonly program: ChildProcessWithoutNullStreams;
  private readonly lines: AsyncIterator<string>;
  private ms = 0;
  /** Reports and whatever else it said, as they came. */
  readonly told: string[] = [];

  /**
   * @param args as imageFiles gives them
   * @param joined pipes from and to another chip, and whether a computer sets this one up
   */
  constructor(host: string, args: string[], joined: string[] = []) {
    this.program = spawn(host, [...args, "talk", ...joined]);
    this.lines = createInterface(this.program.stdout)[Symbol.asyncIterator]();
  }

  /** Gives an order. @returns the lines it was answered by */
  async order(line: string): Promise<string[]> {
    this.program.stdin.write(`${line}\n`);
    const answer: string[] = [];
    for (;;) {
      const { value, done } = await this.lines.next();
      if (done) throw new Error(`the simulated chip ended after "${line}"`);
      if (value === ".") return answer;
      answer.push(value);
      this.told.push(value);
    }
  }

  async pass(ms: number): Promise<string[]> {
    this.ms += ms;
    return this.order(`pass ${ms}`);
  }

  /** Closes a contact for a while. @returns the reports of that time */
  async press(contact: number, ms = 30): Promise<string[]> {
    await this.order(`contact ${contact} 1`);
    const reports = await this.pass(ms);
    await this.order(`contact ${contact} 0`);
    return [...reports, ...(await this.pass(ms))].filter((line) => / (keyboard|consumer|pointer|system) /.test(line));
  }

  /** Closes several for the time that unlocks the device. */
  async holdTogether(contacts: number[], ms: number): Promise<void> {
    for (const contact of contacts) await this.order(`contact ${contact} 1`);
    await this.pass(ms);
    for (const contact of contacts) await this.order(`contact ${contact} 0`);
    await this.pass(50);
  }

  readonly clock: Clock = { now: () => this.ms, pause: async (ms) => void (await this.pass(ms)) };

  /** Its feature report as a way to it. */
  transport(): Transport {
    let isOpen = false;
    return {
      open: async () => {
        isOpen = true;
      },
      send: async (bytes) => {
        if (!isOpen) throw new TransportClosed();
        const [answer] = await this.order(`set ${toHex(bytes)}`);
        if (answer !== "taken") throw new Error(`the device says ${answer}`);
      },
      receive: async (waitMs) => {
        if (!isOpen) throw new TransportClosed();
        await this.pass(Math.max(1, Math.ceil(waitMs)));
        const [answer] = await this.order("get");
        return answer === "stall" ? new Uint8Array() : Uint8Array.from(Buffer.from(answer, "hex"));
      },
      close: async () => {
        isOpen = false;
      },
    };
  }

  /** How many scans were late until now. */
  async late(): Promise<number> {
    const [count] = await this.order("late");
    return Number(count);
  }

  end(): void {
    this.program.stdin.end();
  }
}
