import type { Pin } from "./controllerProfile";

/** Pad pitch of pin rows: 0.1 inch (common practice). */
const PAD_PITCH_MM = 2.54;

const fixed = (name: string, role: Pin["role"]): Omit<Pin, "xMm" | "yMm"> => ({
  name,
  role,
  input: false,
  pullUp: false,
  output: false,
  interrupt: false,
  pwm: false,
  analogChannel: null,
  buses: [],
  reserved: null,
  boot: null,
  volts: null,
});

export const ground = fixed("GND", "ground");
/** A pad that feeds other parts; null where its voltage is what somebody feeds in. */
export const supply = (name: string, volts: number | null) => ({ ...fixed(name, "supply"), volts });
export const logicSupply = (name: string, volts: number) => ({ ...fixed(name, "logic-supply"), volts });
export const reset = fixed("RST", "reset");
export const unused = (name: string) => fixed(name, "unused");

/** A general input/output pin with pull-up; what differs is given. */
export const io = (name: string, special: Partial<Pin> = {}): Omit<Pin, "xMm" | "yMm"> => ({
  ...fixed(name, "io"),
  input: true,
  pullUp: true,
  output: true,
  ...special,
});

/** One straight row of pads at `xMm`, centred on `middleYMm`, from the connector's end downwards. */
export function pinRow(xMm: number, middleYMm: number, pins: Omit<Pin, "xMm" | "yMm">[]): Pin[] {
  const top = middleYMm - ((pins.length - 1) * PAD_PITCH_MM) / 2;
  return pins.map((pin, nth) => ({ ...pin, xMm, yMm: top + nth * PAD_PITCH_MM }));
}

/** Lead pitch of flat square packages of 32 to 64 leads, from centre to centre (typical of the class; from memory). */
const LEAD_PITCH_MM = 0.8;

/**
 * The leads of a square flat package, counted anticlockwise from the upper left corner as the trade does
 * (IEC 60191 orientation): down the left side, along the bottom, up the right, back along the top.
 */
export function quadLeads(pins: Omit<Pin, "xMm" | "yMm">[], sizeMm: number, pitchMm = LEAD_PITCH_MM): Pin[] {
  const aSide = pins.length / 4;
  const along = (nth: number) => Math.round((nth - (aSide - 1) / 2) * pitchMm * 1000) / 1000;
  const edge = sizeMm / 2 - 0.3;
  const places = [
    (n: number) => ({ xMm: -edge, yMm: along(n) }),
    (n: number) => ({ xMm: along(n), yMm: edge }),
    (n: number) => ({ xMm: edge, yMm: -along(n) }),
    (n: number) => ({ xMm: -along(n), yMm: -edge }),
  ];
  return pins.map((pin, nth) => {
    const { xMm, yMm } = places[Math.floor(nth / aSide)](nth % aSide);
    // −0 would not come back from a table.
    return { ...pin, xMm: xMm || 0, yMm: yMm || 0 };
  });
}
