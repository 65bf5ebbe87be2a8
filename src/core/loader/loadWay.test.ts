import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "../catalogue/controllers";
import { loadWayOf } from "./loadWay";

const classesBy = (way: string) =>
  controllerCatalogue.filter((profile) => loadWayOf(profile) === way).map(({ id }) => id);

describe("of the catalogue's classes", () => {
  it("two take a finished image, five run Python, and five need a compiler", () => {
    expect(classesBy("image")).toEqual(["small-5v-18", "chip-8bit-usb-44"]);
    expect(classesBy("python")).toHaveLength(5);
    expect(classesBy("compile")).toHaveLength(5);
    expect(controllerCatalogue).toHaveLength(12);
  });

  it("none that is a USB device from Python is sent to a compiler", () => {
    for (const profile of controllerCatalogue)
      if (profile.firmware.interpreted === "runs-usb") expect(loadWayOf(profile)).not.toBe("compile");
  });
});
