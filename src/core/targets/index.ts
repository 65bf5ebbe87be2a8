import { c99 } from "./c99";
import type { FirmwareTarget } from "./firmwareTarget";
import { project } from "./project";
import { python } from "./python";

/** Every form of firmware, one line each. */
export const firmwareTargets: FirmwareTarget[] = [project, python, c99];
