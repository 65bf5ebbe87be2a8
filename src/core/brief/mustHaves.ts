import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import type { Wish } from "../document/wish";

export type Language = "compiled" | "interpreted";

const needsUsb = ({ connection }: Wish) => connection === "usb-hid" || connection === "usb-midi";

const serves = (language: Language, wish: Wish, { firmware }: ControllerProfile) =>
  needsUsb(wish) ? firmware[language] === "runs-usb" : firmware[language] !== "no";

/** The firmware language an option reckons with: the one wished, else compiled where it serves. */
export function languageFor(wish: Wish, profile: ControllerProfile): Language {
  if (wish.firmware !== "either") return wish.firmware;
  return serves("compiled", wish, profile) || !serves("interpreted", wish, profile) ? "compiled" : "interpreted";
}

/** Go/no-go facts of a controller class that a wish runs into, in words; pins are counted elsewhere. */
export function unmetBy(wish: Wish, profile: ControllerProfile): string[] {
  const unmet: string[] = [];
  const language = languageFor(wish, profile);
  if (profile.firmware[language] === "no")
    unmet.push(`runs no ${language === "compiled" ? "compiled" : "interpreted"} firmware`);
  else if (!serves(language, wish, profile))
    unmet.push(`is no USB device${wish.firmware === "interpreted" ? " from its interpreter" : ""}`);
  if (wish.connection === "radio" && !profile.radio && wish.radios === 0)
    unmet.push("has no radio of its own: count a radio module");
  if (wish.making === "hand-wired" && profile.form === "chip") unmet.push("is a bare chip, which cannot be hand-wired");
  return unmet;
}
