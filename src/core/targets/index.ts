import { c99 } from "./c99";
import type { FirmwareTarget } from "./firmwareTarget";
import { python } from "./python";

/** Every form of firmware, one line each. */
export const firmwareTargets: FirmwareTarget[] = [c99, python];
