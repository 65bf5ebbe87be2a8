import { unzipSync } from "fflate";
import { beforeAll, describe, expect, it } from "vitest";
import { farBoard, keysOf, loom } from "../../../tests/support/twoParts";
import { derive } from "../derived/derive";
import { devicesOf, halfOf, loadedAs } from "../derived/halves";
import { isSeveralDevices } from "../document/partLinks";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { bringInlineRuntime } from "../engine/inlineRuntime";
import { deviceOf } from "../engine/preparedDevice";
import { simulate } from "../engine/simulate";
import { findingsOf } from "../findings/check";
import { partsWithoutLine } from "../firmware/partsWithoutLine";
import { artifactNamed } from "../exports/registry";
import { planPins } from "../pins/planPins";
import { conductorsAcross } from "../wires/across";
import { addBoard } from "./boards";
import { linkToMain, ownControllerFor } from "./controllers";
import { addControl } from "./controls";
import { adoptPinPlan } from "./pins";

beforeAll(bringInlineRuntime);

const far = farBoard(loom);
const near = loom.controllers[0].placement.boardId;
const planned = (design: Design) => adoptPinPlan(design, planPins(design));
const apart = planned(ownControllerFor(loom, far, "small-5v-18", "plug"));
const [nearKeys, farKeys] = keysOf(apart);

const reportsOf = (design: Design, elementId: string) => {
  const control = derive(design).elements.get(elementId)!.controlId;
  const events = [
    { atMs: 20, action: "press" as const, control },
    { atMs: 60, action: "release" as const, control },
  ];
  const run = simulate(design, { events, untilMs: 120 });
  return run.ok ? run.value.reports.map(({ bytes }) => [...bytes].join(" ")) : run.problems;
};

describe("parts that are devices of their own", () => {
  it("have nothing between them: no line, no cable, no net of one at the other", () => {
    expect(isSeveralDevices(apart)).toBe(true);
    expect(apart.partLinks ?? []).toEqual([]);
    expect(apart.links).toEqual([]);
    expect(conductorsAcross(apart, near, far)).toEqual([]);
    expect(derive(apart).chips.some(({ part }) => /plug/.test(part))).toBe(false);
    const read = readDesign(JSON.parse(JSON.stringify(apart)));
    expect(read.ok && read.value).toEqual(apart);
    expect(findingsOf(apart).map(({ rule }) => rule)).not.toContain("wiring/unlinked");
  });

  it("are each worked out by itself, and do with its own keys what the whole device does", () => {
    const devices = devicesOf(apart);
    expect(devices).toHaveLength(2);
    for (const [nth, keys] of [nearKeys, farKeys].entries()) {
      expect(loadedAs(apart, nth)).toEqual([devices[nth], 0]);
      for (const key of keys.slice(0, 4)) expect(reportsOf(devices[nth], key)).toEqual(reportsOf(loom, key));
      const other = [farKeys, nearKeys][nth][0];
      expect(reportsOf(devices[nth], other)).toEqual([]);
    }
    expect(loadedAs(loom, 0)).toEqual([loom, 0]);
    expect(devicesOf(loom)).toEqual([loom]);
  });

  it("are tried one by one: the one that the plug is in", () => {
    const told: number[] = [];
    const device = deviceOf(apart, { report: ({ bytes }) => told.push(...bytes.slice(2).filter(Boolean)) });
    device.runUntil(20);
    for (const part of [0, 1]) {
      device.plugInto(part);
      device.runUntil(device.nowMs + 20);
      told.length = 0;
      for (const key of [nearKeys[0], farKeys[0]]) device.press(key, true, device.nowMs);
      device.runUntil(device.nowMs + 40);
      expect(told).toHaveLength(1);
      for (const key of [nearKeys[0], farKeys[0]]) device.press(key, false, device.nowMs);
      device.runUntil(device.nowMs + 40);
    }
  });

  it("are handed out each in a folder or file of its own", async () => {
    const onSmall = planned(
      ownControllerFor(
        {
          ...loom,
          controllers: loom.controllers.map((one) => ({ ...one, profileId: "chip-8bit-usb-44" })),
          pinPlan: {},
        },
        far,
        "small-5v-18",
        "plug",
      ),
    );
    const namesOf = async (id: string, design: Design) => {
      const made = await artifactNamed(id)!.make(design);
      if (!made.ok) throw new Error(JSON.stringify(made.problems));
      return Object.keys(unzipSync(made.value.bytes));
    };
    for (const id of ["firmware-c", "firmware-project"]) {
      const names = await namesOf(id, onSmall);
      for (const part of ["1-", "2-"])
        expect(names.filter((name) => name.includes(`/${part}`) && name.endsWith("/tables.c"))).toHaveLength(1);
    }
    expect((await namesOf("flash-image", onSmall)).map((name) => name.split("/").at(-1)!.slice(0, 2))).toEqual([
      "1-",
      "2-",
    ]);
  });

  it("take no line, and stand beside no part that has one", () => {
    const [, other] = apart.controllers;
    expect(linkToMain(apart, other.id)).toBe(apart);
    const wider = addControl(addBoard(apart, "third", "Third", "half"), "key", "more", {
      xMm: 400,
      yMm: 0,
      rotationDeg: 0,
      boardId: "third",
    });
    const mixed = ownControllerFor(wider, "third", "small-5v-18");
    expect(isSeveralDevices(mixed)).toBe(false);
    expect(partsWithoutLine(mixed).map(({ message }) => message)).toEqual([
      expect.stringMatching(/^has .* with a plug of its own beside parts that are joined$/),
    ]);
    expect(halfOf(mixed, other.id).controllers).toHaveLength(1);
  });
});
