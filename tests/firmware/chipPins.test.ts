import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import type { Pin } from "@/core/catalogue/controllers/controllerProfile";
import { type ChipPin, padsOf, pinBytes } from "@/core/chips/usb8";
import { STRICT, workFolder } from "./builds";
import { usb8Processor } from "../../scripts/buildFirmware.mjs";

// What the simulator's model of the chip says of its own pins. It has no fourth timer and does not say which pin a
// channel of the converter is on: those stay from memory.

const source = fileURLToPath(new URL("chip/facts.c", import.meta.url));

function factsOfChip(): string[] {
  const program = join(workFolder(), "facts");
  execFileSync("gcc", [...STRICT, source, "-o", program, "-lsimavr", "-lelf"]);
  return execFileSync(program, [usb8Processor()], { encoding: "utf8" }).trim().split("\n");
}

const facts = factsOfChip();
const of = (word: string) =>
  facts.filter((fact) => fact.startsWith(`${word} `)).map((fact) => fact.split(" ").slice(1));
const place = ({ port, bit }: ChipPin) => `${port}${bit}`;

describe.each(["small-5v-18", "chip-8bit-usb-44"])("the pins of %s", (id) => {
  const { pins } = controllerCatalogue.find((profile) => profile.id === id)!;
  const pads = padsOf(id);
  const chipPinOf = new Map(pads);
  const having = (what: (pin: Pin) => boolean) =>
    pins.flatMap((pin) => (chipPinOf.has(pin.name) && what(pin) ? [place(chipPinOf.get(pin.name)!)] : [])).sort();
  const led = new Set(pads.map(([, pin]) => place(pin)));
  const onPads = (places: string[]) => places.filter((one) => led.has(one)).sort();

  it("are all the usable ones, each on a pin of its own", () => {
    const usable = pins.filter(({ role, reserved }) => role === "io" && reserved === null).map(({ name }) => name);
    expect(pads.map(([name]) => name).sort()).toEqual(usable.sort());
    expect(led.size).toBe(pads.length);
  });

  it("lie at the ports' addresses", () => {
    const address = new Map(of("port").map(([letter, at]) => [letter, Number(at)]));
    for (const [, pin] of pads) expect(pinBytes(pin)).toEqual([address.get(pin.port), 1 << pin.bit]);
  });

  it("interrupt where the chip does: on a line of their own, or on any change of the port", () => {
    const anyChange = of("port").flatMap(([letter, , changes]) =>
      changes === "1" ? Array.from({ length: 8 }, (_, bit) => `${letter}${bit}`) : [],
    );
    const own = of("interrupt").map(([letter, bit]) => letter + bit);
    expect(having(({ interrupt }) => interrupt)).toEqual(onPads([...anyChange, ...own]));
  });

  it("are on channels that the converter has, each on one", () => {
    const channels = new Set(of("channel").map(([number]) => Number(number)));
    const claimed = pins.flatMap(({ analogChannel }) => (analogChannel === null ? [] : [analogChannel]));
    expect(claimed.every((channel) => channels.has(channel))).toBe(true);
    expect(new Set(claimed).size).toBe(claimed.length);
  });

  it("have the outputs of the timers that the model knows, and those of the fourth (from memory)", () => {
    const level = new Map(of("port").map(([letter, at]) => [Number(at) + 2, letter]));
    const timers = of("pwm").map(([at, bit]) => `${level.get(Number(at))}${bit}`);
    expect(having(({ pwm }) => pwm)).toEqual(onPads([...new Set([...timers, "C7", "D7"])]));
  });
});
