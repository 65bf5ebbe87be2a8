import type { ControllerProfile, Pin } from "@/core/catalogue/controllers/controllerProfile";
import type { LoadStep } from "./LoadSteps";
import { ModulePicture } from "./ModulePicture";
import { KeyboardPicture, PortPicture } from "./Pictures";

/** The reset pad and the ground pad nearest to it: what is bridged to call the loader. */
function loaderPads({ pins }: ControllerProfile): Pin[] {
  const reset = pins.find(({ role }) => role === "reset");
  if (!reset) return [];
  const far = (pin: Pin) => Math.hypot(pin.xMm - reset.xMm, pin.yMm - reset.yMm);
  const ground = pins.filter(({ role }) => role === "ground").sort((a, b) => far(a) - far(b))[0];
  return ground ? [reset, ground] : [reset];
}

const bareChip = (): LoadStep => ({
  title: "Give the chip a loader, once",
  words:
    "A chip from the factory has a loader that shows no serial port (from memory). Write the file with a programmer over its six programming leads, or put a serial loader in first and go on here.",
});

/** From the open case to a device that reports, for the 8-bit USB classes. */
export function imageSteps(profile: ControllerProfile, product: string): LoadStep[] {
  const pads = loaderPads(profile);
  const names = pads.map(({ name }) => name).join(" and ");
  return [
    ...(profile.form === "chip" ? [bareChip()] : []),
    {
      title: "Keep reset in reach",
      words: `Before the case is closed: ${names} must stay reachable, or get a small button between them. That is the way back whatever is loaded.`,
      picture: <ModulePicture profile={profile} pads={pads} words={`${names} on the module, connector up`} />,
    },
    {
      title: "Plug it in and call the loader",
      words: `Bridge ${names} twice within a second. The loader then waits 8 seconds and shows itself as a serial port (from memory).`,
      picture: <PortPicture />,
    },
    {
      title: "Load it",
      words:
        "Choose that port on the right. Every byte is read back. Too slow? Call the loader again; it is never overwritten.",
    },
    {
      title: "Press every control once",
      words: `The device starts by itself as “${product}”. If it stays silent, it was not written whole: from step ${profile.form === "chip" ? 3 : 2} again.`,
      picture: <KeyboardPicture name={product} />,
    },
  ];
}
