"use client";

import { serialItems } from "@/core/hid/serialInterfaces";
import type { UsbPlace } from "@/core/hid/usbLayout";
import { DescriptorPart } from "./DescriptorPart";

/** A serial port has two interfaces that belong together, and no report descriptor. */
export const SerialDescriptor = ({ place }: { place: UsbPlace }) => (
  <DescriptorPart
    number={`Interfaces ${place.interface} and ${place.interface + 1}`}
    title="Serial port for lines"
    items={serialItems(place.interface, place.endpoint)}
  />
);
