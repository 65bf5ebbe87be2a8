import type { Pin } from "../catalogue/controllers/controllerProfile";
import type { PinNeed } from "../circuits/net";

/** What a pin lacks to serve a need, as a short phrase, or null when it can. Interrupts are a wish, not a must. */
export function lacks(pin: Pin, need: PinNeed): string | null {
  if (pin.role !== "io") return "is not an input/output pin";
  if (need.input && !pin.input) return "cannot be an input";
  if (need.output && !pin.output) return "cannot be an output";
  if (need.pullUp && !pin.pullUp) return "has no pull-up, so that the input floats and reads at random";
  if (need.analog && pin.analogChannel === null) return "has no analog channel";
  if (need.pwm && !pin.pwm) return "has no PWM";
  const { bus } = need;
  if (bus && !pin.buses.some((role) => role.bus === bus.bus && role.line === bus.line))
    return `is not the ${bus.line} line of a bus`;
  return null;
}
