import { REPORTS } from "../contract/contract";
import { padBytes } from "../contract/pad";
import type { InterfaceKind } from "./interfaceKinds";
import type { ReportShape } from "./reportShape";

/** Bytes of a report; frames of live changes are no reports. */
export const reportBytes = (kind: InterfaceKind, { buttons, hat, axes, axisBits, keyBytes }: ReportShape): number =>
  kind === "pad"
    ? padBytes(buttons, hat ? 1 : 0, axes.length, axisBits)
    : REPORTS[kind].bytes + (kind === "keyboard" ? keyBytes : 0);
