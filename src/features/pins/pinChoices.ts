import type { ControllerProfile, Pin } from "@/core/catalogue/controllers/controllerProfile";
import type { Net } from "@/core/circuits/net";
import type { Design } from "@/core/document/schema";
import { lacks } from "@/core/pins/capability";

/** A pin's abilities in a few words. */
export function abilities(pin: Pin): string {
  const words = [
    pin.interrupt ? "interrupt" : "",
    pin.analogChannel === null ? "" : `analog ${pin.analogChannel}`,
    pin.pwm ? "PWM" : "",
    ...pin.buses.map(
      ({ bus, instance, line }) => `${{ i2c: "I²C", spi: "SPI", uart: "serial" }[bus]} ${instance} ${line}`,
    ),
  ];
  return words.filter(Boolean).join(", ");
}

/** The pins a net can be put on, with who is there now. */
export function pinChoices(
  design: Design,
  profile: ControllerProfile,
  net: Net,
  flagOf: (netId: string) => string,
): { value: string; label: string; disabled?: boolean }[] {
  const holders = new Map(
    Object.entries(design.pinPlan)
      .filter(([, { controllerId }]) => controllerId === net.controllerId)
      .map(([netId, choice]) => [choice.pin, { netId, locked: choice.locked }]),
  );
  const pins = profile.pins
    .filter((pin) => pin.role === "io" && !lacks(pin, net.need!))
    .map((pin) => {
      const holder = holders.get(pin.name);
      const other =
        holder && holder.netId !== net.id
          ? ` · swap with ${flagOf(holder.netId)}${holder.locked ? " (locked)" : ""}`
          : "";
      return {
        value: pin.name,
        label: `${pin.name}${pin.reserved ? " (reserved)" : ""}${other}`,
        disabled: Boolean(other) && holder!.locked,
      };
    });
  return [{ value: "", label: "no pin" }, ...pins];
}
