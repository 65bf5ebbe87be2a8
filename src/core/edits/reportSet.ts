import { type InterfaceKind, interfaceKinds } from "../hid/interfaceKinds";
import { chipEndpoints } from "../firmware/endpoints";
import type { Design } from "../document/schema";
import type { PacketSettings } from "../hid/packetSettings";
import type { PadPortSettings } from "../hid/padPortSettings";
import type { PadSettings } from "../hid/padShape";
import type { PanelSettings } from "../hid/panelSettings";

/** What the computer can tell, by name. */
export const setPanel = (design: Design, panel: PanelSettings): Design => ({
  ...design,
  reportSet: { ...design.reportSet, panel },
});

/** Declares these, in the order of their numbers, each once. */
export const setInterfaces = (design: Design, wanted: InterfaceKind[]): Design => ({
  ...design,
  reportSet: { ...design.reportSet, interfaces: interfaceKinds.filter((kind) => wanted.includes(kind)) },
});

/** What the game pad holds, where it is not as usual. */
export const setPad = (design: Design, pad: PadSettings): Design => ({
  ...design,
  reportSet: { ...design.reportSet, pad },
});

/** What a radio sends. */
export const setPacket = (design: Design, packet: PacketSettings): Design => ({
  ...design,
  reportSet: { ...design.reportSet, packet },
});

/** How a serial pad port is read. */
export const setPadPort = (design: Design, padPort: PadPortSettings): Design => ({
  ...design,
  reportSet: { ...design.reportSet, padPort },
});

/** At most so many endpoints are taken; as many as the chip has when that is what is wished. */
export function setEndpointsMost(design: Design, most: number): Design {
  const { endpointsMost: before, ...reportSet } = design.reportSet;
  if (most >= chipEndpoints(design)) return before === undefined ? design : { ...design, reportSet };
  return { ...design, reportSet: { ...reportSet, endpointsMost: most } };
}
