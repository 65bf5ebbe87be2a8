import { expect, it } from "vitest";
import { scanTableOf } from "@/core/firmware/scanTable";
import { unlockSwitches } from "@/core/firmware/unlock";
import { Conversation } from "@/core/live/conversation";
import { changesInEffect } from "@/core/live/differences";
import type { Change } from "@/core/live/frames";
import { wiredDemos } from "../support/designs";
import { workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { contactsOf } from "./chipWiring";
import { withLive, withRoom } from "./liveUse";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles } from "./usbChip";

const CYCLES_A_MS = 16_000;
/** Between two states of the knob: far too fast for a hand, and no multiple of anything, so that edges come at any time. */
const CYCLES_A_STATE = 331;
const SETS = 4;
const CHANGES = 60;

/** The chip, whose knob never rests while time passes. */
class TurningChip extends ChipTalk {
  knob: [number, number] | null = null;
  private direction = 1;

  override async pass(ms: number): Promise<string[]> {
    if (!this.knob) return super.pass(ms);
    const [a, b] = this.knob;
    const states = 4 * Math.ceil((ms * CYCLES_A_MS) / CYCLES_A_STATE / 4);
    this.direction = -this.direction;
    return this.order(`turn ${a} ${b} ${this.direction * states} ${CYCLES_A_STATE}`);
  }
}

// A byte is kept by two writes within four cycles: an edge that interrupts between them would lose it.
it("what is kept is whole although a knob interrupts all the time", async () => {
  const design = onSmallClass(withLive(withRoom(wiredDemos.find(({ id }) => id === "kestrel")!)));
  const scan = scanTableOf(design);
  const contacts = contactsOf(design);
  const numberOf = (contact: string) => contacts.indexOf(contact);
  const chip = new TurningChip(buildUsbHost(), imageFiles(design, workFolder()));
  try {
    const transport = chip.transport();
    await transport.open();
    const talk = new Conversation(transport, chip.clock);
    const unlocking = unlockSwitches(scan, design)!.map(numberOf);
    const { elementId } = scan.encoders[0];
    for (let set = 0; set < SETS; set++) {
      chip.knob = null;
      await chip.holdTogether(unlocking, 2100);
      const hello = await talk.hello();
      chip.knob = [numberOf(`${elementId}/A`), numberOf(`${elementId}/B`)];
      const changes = Array.from({ length: Math.min(CHANGES, hello.layers * hello.inputs) }, (_, nth): Change => {
        const place = { layer: Math.floor(nth / hello.inputs), input: nth % hello.inputs };
        return { ...place, action: [2, 0x80, 0x1e + ((nth + set) % 60), 0] };
      });
      await talk.write(changes, hello);
      chip.knob = null;
      // They come into effect when every step is told.
      for (let tries = 0; tries < 100 && (await talk.hello()).isWaiting; tries++) await chip.pass(300);
      expect(changesInEffect(await talk.read(await talk.hello()))).toEqual(changes);
    }
  } finally {
    chip.end();
  }
});
