import type { ControllerPower, ControllerProfile } from "../catalogue/controllers/controllerProfile";

/** 5 V logic runs on the plug's own 5 V; 3.3 V logic has a regulator before it. */
const LOGIC_5V = 4.5;

/** Milliamperes of a running 8-bit chip with USB, and of a 32-bit one with every MHz of its clock (from memory). */
const ACTIVE_8BIT_MA = 25;
const ACTIVE_32BIT_MA = 15;
const MA_PER_MHZ = 0.2;
/** A radio that listens (from memory). */
const RADIO_MA = 80;

/** What is typical of a class by its voltage, clock and form, where its profile says nothing (from memory). */
export function powerOf(profile: ControllerProfile): ControllerPower {
  if (profile.power) return profile.power;
  const is5V = profile.logicV >= LOGIC_5V;
  const own = is5V ? ACTIVE_8BIT_MA : ACTIVE_32BIT_MA + MA_PER_MHZ * profile.clockMhz;
  const hasOther = profile.pins.some(({ role, volts }) => role === "logic-supply" && volts === 3.3);
  const regulator = { limitMa: is5V ? 150 : 500, dropoutV: 0.4, kelvinPerWatt: 160 };
  return {
    activeMa: Math.round(own + (profile.radio ? RADIO_MA : 0)),
    asleepMa: is5V ? 0.5 : 1.2,
    passMa: 500,
    regulator: is5V && !hasOther ? null : regulator,
  };
}
