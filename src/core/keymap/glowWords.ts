import { derive } from "../derived/derive";
import { type Glow, type GlowRule, type GlowShows } from "../document/glows";
import type { Design } from "../document/schema";
import { listed } from "../words";
import { flagName, valueName } from "./toldWords";

type Words<When extends GlowRule["when"]> = (rule: Extract<GlowRule, { when: When }>, design: Design) => string;

const whenWords: { [When in GlowRule["when"]]: Words<When> } = {
  always: () => "always",
  layer: ({ layerId }, { keymap }) =>
    `while ${keymap.layers.find(({ id }) => id === layerId)?.name ?? "a layer that is gone"} is active`,
  lock: ({ lock }) => `while the host's ${lock} lock is on`,
  next: () => "while something waits for the next key",
  held: ({ inputId }, design) =>
    `while ${derive(design).bindable.find(({ id }) => id === inputId)?.label ?? "an input that is gone"} is held`,
  awake: () => "while it keeps the computer awake",
  value: ({ atLeast, elementId }, design) => `from ${atLeast} of ${valueName(design, elementId)} on`,
  told: ({ flag }, design) => `while the computer says “${flagName(design, flag)}”`,
  "own-key": () => "while the key beside it is held",
};

/** "while Star chart is active". */
export const glowWhenWords = (rule: GlowRule, design: Design): string =>
  (whenWords[rule.when] as Words<GlowRule["when"]>)(rule, design);

const seconds = (ms: number) => `${Number((ms / 1000).toFixed(2))} s`;

/** "from #300000 to #ff0000 and back in 4 s, travelling along the lights". */
export function glowShowsWords(shows: GlowShows, design: Design): string {
  switch (shows.how) {
    case "still":
      return shows.colour;
    case "value":
      return `from ${shows.colour} to ${shows.other} by the value of ${valueName(design, shows.elementId)}`;
    case "swell":
      return `from ${shows.colour} to ${shows.other} and back in ${seconds(shows.periodMs)}`;
    case "wave":
      return `from ${shows.colour} to ${shows.other} and back in ${seconds(shows.periodMs)}, travelling along the lights`;
    case "round":
      return `through all colours in ${seconds(shows.periodMs)}`;
    case "embers":
      return `between ${shows.colour} and ${shows.other}, each light by itself`;
  }
}

/** "all lights", or their labels, or how many they are. */
export function glowLightsWords({ lights }: Glow, design: Design): string {
  if (lights === null) return "all lights";
  const { elements } = derive(design);
  const labels = lights.map((id) => elements.get(id)?.label ?? id);
  return labels.length <= 3 ? listed(labels) : `${labels.length} lights`;
}

/** One glow in a line. */
export function glowWords(glow: Glow, design: Design): string {
  const fade = glow.fadeMs > 0 ? `, fading in ${seconds(glow.fadeMs)}` : "";
  return `${glowLightsWords(glow, design)}, ${glowWhenWords(glow.when, design)}: ${glowShowsWords(glow.shows, design)}${fade}`;
}
