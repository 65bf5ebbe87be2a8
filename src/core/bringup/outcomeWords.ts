import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { counted, listed } from "../words";
import type { Outcome } from "./predict";
import type { Trial } from "./trial";

/** More than so many are counted, not named. */
const NAMED_MOST = 4;

/** What came of a test, as a colleague would say it. */
export function outcomeWords(design: Design, { deed }: Trial, came: Outcome): string {
  const name = (id: string) => derive(design).elements.get(id)?.label ?? id;
  const told = (words: Outcome) => toldWords(words, name);
  if (came === NOT_FORETOLD) return "something else";
  if (deed.does === "check") return CHECKS[deed.what][came === "" ? 0 : 1];
  if (deed.does === "sweep") return sweepWords(came, deed.each.length, told, name);
  if (deed.does === "show") return showWords(came, deed.elementIds, name);
  if (deed.does === "turn") return turnWords(came, told);
  if (came === "") return NOTHING[deed.does];
  return AFTER[deed.does]?.(came, told) ?? came;
}

/** Where nothing is told. */
const NOTHING: Record<"idle" | "hold" | "bend" | "axis" | "meter", string> = {
  idle: "nothing comes by itself",
  hold: "nothing comes",
  bend: "everything stays as it was",
  axis: "it moves and rests as it should",
  meter: "nothing",
};

/** Where something is. */
const AFTER: Partial<Record<string, (came: Outcome, told: (came: Outcome) => string) => string>> = {
  idle: (came, told) => (came === "off" ? "it does not start: supply and ground touch" : `${told(came)} by itself`),
  hold: (came, told) => `${told(came)} ${came.includes("+") ? "come" : "comes"}`,
  bend: (came, told) => `${told(came)} comes and goes`,
  axis: (came) => AXIS[came] ?? came,
  meter: (came) => METER[came] ?? came,
};

/** What came, where it was none of what any suspect foretells. */
export const NOT_FORETOLD: Outcome = "?";

/** As it should be, and not. */
const CHECKS: Record<"short" | "load" | "name", [good: string, bad: string]> = {
  short: ["more than 1 kΩ, or rising while a capacitor fills", "a few ohms: supply and ground touch"],
  load: ["it takes the firmware", "it does not answer"],
  name: ["the computer lists it by its name", "the computer does not list it"],
};

const AXIS: Partial<Record<Outcome, string>> = {
  still: "it does not move",
  wanders: "it wanders by itself",
  "always high": "it stays at its upper end",
  "always low": "it stays at its lower end",
};
const METER: Partial<Record<Outcome, string>> = {
  open: "open: no current",
  joined: "joined: less than 10 Ω, or 0.0 V",
};

function toldWords(came: Outcome, name: (id: string) => string): string {
  const all = came.split("+").map((one) => {
    if (one.endsWith("*2")) return `${name(one.slice(0, -2))} twice`;
    return one.endsWith("~") ? `${name(one.slice(0, -1))} now and then` : name(one);
  });
  return all.length > NAMED_MOST
    ? `${listed(all.slice(0, NAMED_MOST))} and ${all.length - NAMED_MOST} more`
    : listed(all);
}

function sweepWords(came: Outcome, of: number, told: (came: Outcome) => string, name: (id: string) => string): string {
  if (came === "") return "each tells itself, once";
  const each = came.split(",").map((one): [string, string] => {
    const at = one.indexOf(">");
    return [one.slice(0, at), one.slice(at + 1)];
  });
  const silent = each.filter(([, words]) => words === "").map(([id]) => name(id));
  const others = each.filter(([, words]) => words !== "").map(([id, words]) => `${name(id)} tells ${told(words)}`);
  const list = (words: string[]) =>
    words.length > NAMED_MOST
      ? `${listed(words.slice(0, NAMED_MOST - 1))} and ${words.length - NAMED_MOST + 1} more`
      : listed(words);
  return [
    ...(silent.length === of
      ? ["none of them tells anything"]
      : silent.length > 0
        ? [`${list(silent)} ${silent.length === 1 ? "tells" : "tell"} nothing`]
        : []),
    ...(others.length > 0 ? [list(others)] : []),
  ].join("; ");
}

function turnWords(came: Outcome, told: (came: Outcome) => string): string {
  const parts = came.split("+");
  const steps = Number(parts.find((part) => /^-?\d+$/.test(part)) ?? 0);
  const beside = parts.filter((part) => !/^-?\d+$/.test(part));
  const words =
    steps === 0 ? "no step" : `${counted(Math.abs(steps), "step")} ${steps > 0 ? "clockwise" : "anticlockwise"}`;
  return beside.length > 0 ? `${words}, and ${told(beside.join("+"))}` : words;
}

function showWords(came: Outcome, ids: string[], name: (id: string) => string): string {
  if (came === "") return ids.length === 1 ? "it does" : "all do";
  if (came === "restarts") return "the device starts anew";
  if (came === "off") return "it does not start";
  const parts = came.split("+");
  const dark = parts.filter((part) => !/[&/=]/.test(part)).map(name);
  const pairs = parts.filter((part) => /[&/=]/.test(part)).map((part) => pairWords(part, name));
  return [
    ...(dark.length === 0 ? [] : [dark.length === ids.length && ids.length > 1 ? "none does" : `${listed(dark)} dark`]),
    ...pairs,
  ].join("; ");
}

function pairWords(part: string, name: (id: string) => string): string {
  const [one, other] = part.split(/[&/=]/);
  if (part.includes("=")) return `${name(one)} cannot be switched`;
  return part.includes("&")
    ? `${name(one)} and ${name(other)} light together`
    : `${name(one)} and ${name(other)} light for each other`;
}
