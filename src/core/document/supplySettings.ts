import { cellSorts } from "../electrics/cells";
import { between, whole, z } from "../schema";

export const outsideSourceSchema = z.strictObject({
  kind: z.literal("outside"),
  volts: between(3, 24),
  limitMa: between(50, 20_000),
});
export const batterySchema = z.strictObject({
  kind: z.literal("battery"),
  cell: z.enum(cellSorts),
  /** Cells one after another. */
  series: whole(1, 12),
  capacityMah: between(10, 50_000),
  /** Voltage of a cell at which the device is switched off. */
  cutOffV: between(0.5, 4),
});

const sourceSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("usb-2") }),
  z.strictObject({
    kind: z.literal("usb-c"),
    /** What it advertises by its pull-up: its default, 1.5 A or 3 A (USB Type-C specification, 4.5). */
    advertisedMa: z.union([z.literal(500), z.literal(1500), z.literal(3000)]),
  }),
  outsideSourceSchema,
  batterySchema,
]);
export type Source = z.infer<typeof sourceSchema>;

const diodeSorts = ["none", "schottky", "silicon"] as const;

/** Where the device's current comes from, what stands in series, and how the device is used. */
export const supplySchema = z.strictObject({
  source: sourceSchema,
  /** From the source to the device, there and back the same wire. */
  cable: z.strictObject({ lengthM: between(0, 10), mm2: between(0.03, 2.5) }),
  /** A resettable fuse: what it surely lets through, and its resistance. */
  fuse: z.nullable(z.strictObject({ holdMa: between(50, 20_000), ohm: between(0, 20) })),
  diode: z.enum(diodeSorts),
  /** A second source for the 5 V rail alone, with the jumper that chooses between it and the module. */
  outside: z.nullable(z.strictObject({ limitMa: between(50, 20_000), isChosen: z.boolean() })),
  /** Of what can be on, how much is at a usual moment, in percent. */
  usual: z.strictObject({
    lamps: whole(0, 100),
    lights: whole(0, 100),
    displays: whole(0, 100),
    radios: whole(0, 100),
    outputs: whole(0, 100),
  }),
  /** Hours of a day in use and awake at rest; it sleeps for the rest. */
  day: z.strictObject({ usedH: between(0, 24), restH: between(0, 24) }),
  /** The divider that lets a pin measure the battery; null where none is wanted. */
  measured: z.nullable(z.strictObject({ topOhm: between(10, 1e8), bottomOhm: between(10, 1e8) })),
});
export type Supply = z.infer<typeof supplySchema>;

/** 1.5 m of cable with 24 AWG supply conductors; a third of the lamps and lights on (common practice). */
export const usualSupply: Supply = {
  source: { kind: "usb-2" },
  cable: { lengthM: 1.5, mm2: 0.2 },
  fuse: null,
  diode: "none",
  outside: null,
  usual: { lamps: 30, lights: 30, displays: 60, radios: 10, outputs: 5 },
  day: { usedH: 3, restH: 5 },
  measured: null,
};

/** The speed of a bus and its resistors, where the person chose them. */
export const busSettingsSchema = z.strictObject({
  bus: whole(0, 3),
  khz: z.union([z.literal(100), z.literal(400), z.literal(1000)]),
  pullUpOhm: between(100, 1e6),
});
