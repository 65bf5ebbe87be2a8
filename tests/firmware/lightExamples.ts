import { colourOrders } from "@/core/catalogue/parts/part";
import { partCatalogue } from "@/core/catalogue/parts";
import { lightChain, type LightChain } from "@/core/circuits/lightChain";
import { type Glow, type GlowRule, type GlowShows, glowSchema } from "@/core/document/glows";
import { toldValue } from "@/core/document/lampRule";
import type { Design } from "@/core/document/schema";

const element = (name: string) => `${name}:light`;

/** A knob by its name, or a value that the computer tells by its number. */
const valueOf = (name: string) => (/^\d$/.test(name) ? toldValue(Number(name) - 1) : `${name}:turn`);

function ruleOf(text: string): GlowRule {
  const [when, what, level] = text.split(" ");
  if (when === "layer") return { when, layerId: what === "1" ? "base" : `layer${what}` };
  if (when === "lock") return { when, lock: what as "num" | "caps" | "scroll" };
  if (when === "held") return { when, inputId: `${what}:press` };
  if (when === "value") return { when, elementId: valueOf(what), atLeast: Number(level) };
  if (when === "told") return { when, flag: Number(what) - 1 };
  return { when: when as "always" | "next" | "awake" | "own-key" };
}

/** "still #ff0000", "value E #000000 #ff0000", "wave #000000 #ff0000 in 1000 over 4", "round 50 in 1000 over 3". */
function showsOf(text: string): GlowShows {
  const how = text.split(" ")[0];
  const [colour = "", other = ""] = text.match(/#[0-9a-f]{6}/g) ?? [];
  const number = (pattern: RegExp) => Number(pattern.exec(text)?.[1] ?? 0);
  const periodMs = number(/ in (\d+)/);
  const lightsAWave = number(/ over (\d+)/);
  if (how === "still") return { how, colour };
  if (how === "value") return { how, colour, other, elementId: valueOf(text.split(" ")[1]) };
  if (how === "round") return { how, percent: number(/round (\d+)/), periodMs, lightsAWave };
  if (how === "wave") return { how, colour, other, periodMs, lightsAWave };
  return { how: how as "swell" | "embers", colour, other, periodMs };
}

/** "layer 2 on P Q: still #00ff00, fade 100": a glow of an example. */
export function glowOf(text: string, id: string): Glow {
  const [, when, on, shows, fade] = /^([\w -]+?)(?: on ([\w ]+))?: (.*?)(?:, fade (\d+))?$/.exec(text)!;
  const lights = on ? on.split(" ").map(element) : null;
  return glowSchema.parse({ id, lights, when: ruleOf(when), shows: showsOf(shows), fadeMs: Number(fade ?? 0) });
}

function limits(chain: LightChain, line: string | undefined): LightChain {
  const [, percent, colours, lit] = /^chain (\d+) %(?:, (\d) colours)?(?:, (\d+) lit)?$/.exec(line ?? "chain 100 %")!;
  return {
    ...chain,
    brightnessPercent: Number(percent),
    colours: Number(colours ?? 3) as LightChain["colours"],
    mostLit: lit === undefined ? null : Number(lit),
  };
}

/** A part that takes its bytes in another order, for the lights that are named. */
function ordered(design: Design, lines: string[]): Design {
  const orders = lines.flatMap((line) => {
    const [, name, order] = /^order (\w+): (\w+)$/.exec(line) ?? [];
    return name ? [{ name, order: colourOrders.find((one) => one === order)! }] : [];
  });
  return orders.reduce((d, { name, order }) => {
    const id = `light-${order}`;
    const part = { ...partCatalogue.find((one) => one.id === "light-5050")!, id, colourOrder: order };
    const controls = d.controls.map((control) => (control.id === name ? { ...control, partId: id } : control));
    return { ...d, controls, parts: [...d.parts, part] };
  }, design);
}

/** The lights of an example on their chains, as its lines say. */
export function withChain(design: Design, lines: string[]): Design {
  const onSecond = lines.flatMap((line) => /^light (\w+) on another chain$/.exec(line)?.[1] ?? []);
  const names = design.controls.filter(({ kind }) => kind === "light").map(({ id }) => id);
  const chainOf = (id: string, of: string[]): LightChain => ({
    ...limits(
      lightChain.fresh(id, id),
      lines.find((line) => line.startsWith("chain ")),
    ),
    members: of.map(element),
    bridged: lines.flatMap((line) => /^bridged (\w+)$/.exec(line)?.[1] ?? []).map(element),
  });
  const chains = [
    chainOf(
      "lights",
      names.filter((name) => !onSecond.includes(name)),
    ),
    chainOf("more", onSecond),
  ];
  const circuits = [...design.circuits, ...chains.filter(({ members }) => members.length > 0)];
  return ordered({ ...design, circuits }, lines);
}
