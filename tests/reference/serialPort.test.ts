import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { serialItems } from "@/core/hid/serialInterfaces";
import { configurationDescriptor, deviceDescriptor } from "@/core/hid/usbDescriptors";
import { usbLayout } from "@/core/hid/usbLayout";
import { plainReports } from "@/core/hid/reportShape";

/** Descriptors one after another, each by its own length. */
function split(bytes: readonly number[]): number[][] {
  const all: number[][] = [];
  for (let at = 0; at < bytes.length; at += bytes[at]) all.push(bytes.slice(at, at + bytes[at]));
  return all;
}

describe("a serial port over USB (CDC 1.2 and PSTN 1.2, from memory)", () => {
  const parts = split([...bytesOf(serialItems(3, 4))]);

  it("associates its two interfaces (USB interface association descriptor, from memory)", () =>
    // Length 8, type 11, first interface 3, two of them, class 2 (communication), subclass 2 (abstract control), no protocol.
    expect(parts[0]).toEqual([8, 11, 3, 2, 2, 2, 0, 0]));

  it("begins with the communication interface and its four functional descriptors", () => {
    const [, communication, header, calls, control, union, tells] = parts;
    expect(communication).toEqual([9, 4, 3, 0, 1, 2, 2, 0, 0]);
    expect(header).toEqual([5, 0x24, 0, 0x20, 0x01]); // subtype 0: version 1.20 in decimal digits
    expect(calls).toEqual([5, 0x24, 1, 0, 4]); // subtype 1: makes no calls, data on interface 4
    expect(control).toEqual([4, 0x24, 2, 2]); // subtype 2: bit 1, line coding and control line state
    expect(union).toEqual([5, 0x24, 6, 3, 4]); // subtype 6: 3 controls 4
    expect(tells).toEqual([7, 5, 0x84, 3, 8, 0, 16]); // interrupt in, 8 bytes, each 16 ms
  });

  it("ends with the data interface: bulk from the computer and to it, of 64 bytes (USB 2.0, section 5.8.3)", () => {
    const [data, from, to] = parts.slice(7);
    expect(data).toEqual([9, 4, 4, 0, 2, 10, 0, 0, 0]);
    expect(from).toEqual([7, 5, 5, 2, 64, 0, 0]);
    expect(to).toEqual([7, 5, 0x86, 2, 64, 0, 0]);
    expect(parts).toHaveLength(10);
  });

  it("stands behind all reports, music's two interfaces included, and takes three endpoints", () => {
    const layout = usbLayout([["keyboard"], ["music"]], { notes: false, lines: true });
    expect(layout).toMatchObject({ interfaces: 5, endpoints: 5, serial: { interface: 3, endpoint: 3 } });
    const [configuration, ...rest] = split(configurationDescriptor(layout, plainReports));
    expect(configuration[4]).toBe(5);
    expect(configuration[2] | (configuration[3] << 8)).toBe([configuration, ...rest].flat().length);
    const interfaces = rest.filter(([, type]) => type === 4).map(([, , number]) => number);
    expect(interfaces).toEqual([0, 1, 2, 3, 4]);
    const addresses = rest.filter(([, type]) => type === 5).map(([, , address]) => address);
    expect(addresses).toEqual([0x81, 0x82, 0x83, 0x04, 0x85]);
  });

  it("makes the device one whose interfaces belong together; without it each is its own", () => {
    const identity = { vendorId: 0xf0f0, productId: 1, maker: "m", product: "p" };
    // Class 239, subclass 2, protocol 1, which hosts want of a device with associations (from memory).
    expect(deviceDescriptor(identity, true).slice(4, 7)).toEqual([239, 2, 1]);
    expect(deviceDescriptor(identity, false).slice(4, 7)).toEqual([0, 0, 0]);
  });
});
