import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { needsOf } from "@/core/brief/needs";
import { optionFor } from "@/core/brief/option";
import { planBrief } from "@/core/brief/plan";
import { roomFor, smallestChange } from "@/core/brief/breaks";
import { type ChosenPlan, type Wish, emptyBrief, noWish } from "@/core/document/wish";

// Pins, parts and times of briefs worked out by hand, as a builder does on paper. Counts per control (switch 1,
// encoder 2 + 1, concentric 4 + 1, stick 2 or 3 + 1, pot 1, five-way 5, display 2 shared, segment driver 3, light
// chain 1, radio 3 shared + 3): common practice.

const setting = { brief: emptyBrief, debounceMs: 5, settleUs: 5 };
const profile = (id: string) => controllerCatalogue.find((each) => each.id === id)!;
const plan = (profileId: string, switchStrategy: string, more: Partial<ChosenPlan> = {}): ChosenPlan => ({
  profileId,
  switchStrategy,
  lampStrategy: "direct",
  voltageStrategy: "direct",
  turnStrategy: "direct",
  ...more,
});

interface ByHand {
  what: string;
  wish: Partial<Wish>;
  plan: ChosenPlan;
  /** How the sum goes, for the reader. */
  sum: string;
  pins: number;
  fits: boolean;
  parts: Record<string, number>;
}

const briefs: ByHand[] = [
  {
    what: "54 keys in a matrix on the small 5 V board",
    wish: { keys: 54 },
    plan: plan("small-5v-18", "matrix"),
    sum: "54 keys fit 7 + 8 = 15 pins (common practice); 18 had",
    pins: 15,
    fits: true,
    parts: { diode: 54 },
  },
  {
    what: "nine keys direct and one pushed encoder on the thumb-size board",
    wish: { keys: 9, encoders: 1 },
    plan: plan("thumb-3v3-11", "direct"),
    sum: "9 + 2 + 1 = 12; 11 had",
    pins: 12,
    fits: false,
    parts: {},
  },
  {
    what: "the same in a matrix",
    wish: { keys: 9, encoders: 1 },
    plan: plan("thumb-3v3-11", "matrix"),
    sum: "10 switches in 3 + 4 = 7, and 2 for the encoder: 9",
    pins: 9,
    fits: true,
    parts: { diode: 10 },
  },
  {
    what: "a handset with two gimbals of three axes, four pots and eight toggles",
    wish: { sticks3: 2, pots: 4, toggles: 8, stickPush: false, radios: 1, connection: "radio" },
    plan: plan("small-5v-serial-20", "direct"),
    sum: "analog 6 + 4 = 10, but 8 had; 8 toggles; radio 3 + 2 + 1",
    pins: 24,
    fits: false,
    parts: {},
  },
  {
    what: "64 switches through four multiplexers",
    wish: { keys: 64 },
    plan: plan("small-5v-18", "multiplexers"),
    sum: "4 select + 4 data = 8 pins for 64 inputs (common practice)",
    pins: 8,
    fits: true,
    parts: { multiplexer: 4 },
  },
  {
    what: "40 switches and 24 lamps on register chains with four concentric encoders",
    wish: { keys: 40, lamps: 24, concentrics: 4, concentricPush: true, segments: 2 },
    plan: plan("small-5v-18", "input-registers", { lampStrategy: "output-registers", turnStrategy: "with-switches" }),
    sum: "inputs 40 + 4 + 16 = 60 in 8 registers on 3 pins; lamps 3 + brightness 1; segments 3: 10",
    pins: 10,
    fits: true,
    parts: { "register-in": 8, resistor: 60 + 24, "register-out": 3 },
  },
  {
    what: "32 keys on bus expanders with a display",
    wish: { keys: 32, displays: 1 },
    plan: plan("thumb-3v3-11", "bus-expanders"),
    sum: "two wires for 2 × 16 keys and the display alike, one pair of pull-ups for the bus (common practice)",
    pins: 2,
    fits: true,
    parts: { expander: 2, resistor: 2 },
  },
  {
    what: "24 ladder pads and three pots",
    wish: { ladderPads: 24, pots: 3, connection: "usb-midi" },
    plan: plan("small-5v-18", "ladder"),
    sum: "a dozen pads a bank (common practice): one tap, a pin for each of 2 banks, 3 pots: 6; 24 rungs, 1 pull-down",
    pins: 6,
    fits: true,
    parts: { resistor: 25 },
  },
  {
    what: "96 keys in a two-way matrix",
    wish: { keys: 96 },
    plan: plan("small-5v-18", "two-way-matrix"),
    sum: "48 crossings of two keys: 6 + 8 = 14",
    pins: 14,
    fits: true,
    parts: { diode: 96 },
  },
  {
    what: "a game pad with two sticks, light chain, motor and five-way",
    wish: { keys: 12, sticks2: 2, lights: 8, motors: 1, fiveWays: 1 },
    plan: plan("dual-core-3v3-26", "direct"),
    sum: "12 + 5 + 2 pushes, 4 analog but 3 had, chain 1, motor 1: 25; the chain's resistor, the motor's base resistor and flyback diode",
    pins: 25,
    fits: false,
    parts: { "level-shifter": 1, transistor: 1, resistor: 1 + 1, diode: 1 },
  },
];

describe("briefs worked out by hand", () => {
  it.each(briefs)("$what: $sum", ({ wish, plan: chosen, pins, fits, parts }) => {
    const option = optionFor({ ...noWish, ...wish }, chosen, profile(chosen.profileId), setting)!;
    expect(option.room.needed).toBe(pins);
    expect(option.fits).toBe(fits);
    expect(option.parts).toEqual(parts);
  });

  it("tell what is short in the builder's words", () => {
    const wish = { ...noWish, sticks3: 2, pots: 4, stickPush: false };
    const option = optionFor(wish, plan("small-5v-serial-20", "direct"), profile("small-5v-serial-20"), setting)!;
    expect(option.room.short).toEqual([{ what: "voltages", count: 2 }]);
  });

  it("reckon money from the parts: a 6.00 board and 54 diodes at 0.02 are 7.08", () => {
    const option = optionFor({ ...noWish, keys: 54 }, plan("small-5v-18", "matrix"), profile("small-5v-18"), setting)!;
    expect(option.money).toBeCloseTo(6 + 54 * 0.02, 9);
    const dearer = { ...setting, brief: { ...emptyBrief, prices: { diode: 0.1, "small-5v-18": 9 } } };
    const again = optionFor({ ...noWish, keys: 54 }, plan("small-5v-18", "matrix"), profile("small-5v-18"), dearer)!;
    expect(again.money).toBeCloseTo(9 + 5.4, 9);
  });

  // I²C-bus specification, fast mode: 400 kbit/s, nine bits a byte. Reading 16 lines takes five bytes: 48 bits with
  // start, repeated start and stop, 120 µs; four expanders 480 µs; computing 64 × 215 cycles at 133 MHz 103 µs.
  it("reckon the time from press to report: four expanders on a fast board take 7.58 ms with 5 ms debounce, just missed", () => {
    const option = optionFor(
      { ...noWish, keys: 64 },
      plan("dual-core-3v3-26", "bus-expanders"),
      profile("dual-core-3v3-26"),
      setting,
    )!;
    expect(option.pressToReportMs).toBeCloseTo(1 + 0.48 + 0.103 + 5 + 1, 2);
  });

  // Common practice: states a second = steps a turn × 4 × turns a second: 24 × 4 × 4 = 384.
  it("warn when knobs turn faster than they are read", () => {
    const wish = { ...noWish, keys: 40, encoders: 8, firmware: "interpreted" as const };
    const slow = optionFor(
      wish,
      plan("dual-core-3v3-26", "input-registers", { turnStrategy: "with-switches" }),
      profile("dual-core-3v3-26"),
      setting,
    )!;
    // 56 switches and lines + 8 pushes at 60 µs: 3.8 ms, 260 readings a second for 384 states.
    expect(slow.certainty.some(({ weight, words }) => weight === "warn" && words.includes("384 states"))).toBe(true);
    const quick = optionFor({ ...wish, firmware: "compiled" }, slow.plan, slow.profile, setting)!;
    expect(quick.certainty.some(({ weight }) => weight === "warn")).toBe(false);
  });
});

describe("what breaks a plan", () => {
  const wish = { ...noWish, keys: 54 };
  it("is the key after 81: nine rows and nine columns are all 18 pins", () => {
    expect(roomFor(wish, plan("small-5v-18", "matrix"), profile("small-5v-18"), setting).keys).toBe(81 - 54);
  });
  it("is the analog input after the last free analog pin", () => {
    // 15 of 18 pins are taken; three are left, and nine of the board's pins are analog.
    expect(roomFor(wish, plan("small-5v-18", "matrix"), profile("small-5v-18"), setting).pots).toBe(3);
  });
  it("is told also when a way makes no sense for very few: of 60 keys 30 are kept on eleven pins", () => {
    // Five rows and six columns are eleven pins for 30 keys.
    const change = smallestChange(
      { ...noWish, keys: 60 },
      plan("thumb-3v3-11", "matrix"),
      profile("thumb-3v3-11"),
      setting,
    )!;
    expect(change).toMatchObject({ words: "30 keys fewer", wish: { keys: 30 } });
  });
  it("is told with the smallest change that cures it", () => {
    const small = { ...noWish, keys: 9, encoders: 1 };
    const thumb = profile("thumb-3v3-11");
    expect(smallestChange(small, plan("thumb-3v3-11", "direct"), thumb, setting)!.words).toBe("encoders without push");
    const pushless = { ...small, encoderPush: false, keys: 10 };
    expect(smallestChange(pushless, plan("thumb-3v3-11", "direct"), thumb, setting)!.words).toBe("1 key fewer");
  });
});

describe("the ranking", () => {
  const wish = { ...noWish, keys: 64 };
  const options = planBrief(wish, controllerCatalogue, setting);

  it("puts what fits and meets the must-haves first, and folds away what another plan beats", () => {
    const works = options.map(({ fits, unmet }) => fits && unmet.length === 0);
    expect(works.indexOf(false)).toBe(works.filter(Boolean).length);
    for (const option of options.filter(({ beatenBy, fits, unmet }) => beatenBy && fits && unmet.length === 0)) {
      const winner = options.find(({ id }) => id === option.beatenBy)!;
      expect(winner.money).toBeLessThanOrEqual(option.money + 1e-9);
      expect(winner.partCount).toBeLessThanOrEqual(option.partCount);
    }
  });

  it("never calls a board without USB fit for a keyboard", () => {
    for (const { profile: each, unmet } of options)
      if (each.firmware.compiled !== "runs-usb" && each.firmware.interpreted !== "runs-usb")
        expect(unmet).not.toEqual([]);
  });

  it("takes only what can be hand-wired and runs the wished language", () => {
    const first = planBrief(
      { ...wish, making: "hand-wired", firmware: "interpreted" },
      controllerCatalogue,
      setting,
    )[0];
    expect(first.profile.form).toBe("module");
    expect(first.profile.firmware.interpreted).toBe("runs-usb");
  });

  it("counts needs as the trade does", () => {
    expect(needsOf({ ...noWish, concentrics: 2, sticks3: 1, fiveWays: 1 })).toEqual({
      switches: 2 + 1 + 5,
      turns: 4,
      voltages: 3,
      lamps: 0,
    });
  });
});
