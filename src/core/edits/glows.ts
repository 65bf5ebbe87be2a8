import { LIMITS } from "../contract/contract";
import type { Glow } from "../document/glows";
import type { Design } from "../document/schema";

const glowsIn = ({ keymap }: Design): Glow[] => keymap.glows ?? [];

const withGlows = (design: Design, glows: Glow[]): Design => ({ ...design, keymap: { ...design.keymap, glows } });

/** A glow on top of all others: all lights, always, in a warm white of half brightness. As many as the firmware knows, no more. */
export function addGlow(design: Design, id: string, lights: string[] | null = null): Design {
  if (glowsIn(design).length >= LIMITS.GLOWS) return design;
  const fresh: Glow = {
    id,
    lights,
    when: { when: "always" },
    shows: { how: "still", colour: "#806040" },
    fadeMs: 0,
  };
  return withGlows(design, [...glowsIn(design), fresh]);
}

export const changeGlow = (design: Design, id: string, change: Partial<Omit<Glow, "id">>): Design =>
  withGlows(
    design,
    glowsIn(design).map((glow) => (glow.id === id ? { ...glow, ...change } : glow)),
  );

export const removeGlow = (design: Design, id: string): Design =>
  withGlows(
    design,
    glowsIn(design).filter((glow) => glow.id !== id),
  );

/** Puts a glow at another place among them: 0 is the lowest. */
export function moveGlow(design: Design, id: string, to: number): Design {
  const glow = glowsIn(design).find((one) => one.id === id);
  if (!glow) return design;
  const others = glowsIn(design).filter((one) => one !== glow);
  return withGlows(design, [...others.slice(0, to), glow, ...others.slice(to)]);
}

/** Glows of what is still there: lights that are gone are forgotten, and a glow that has none left, or whose layer is gone. */
export function glowsWith(glows: Glow[], isThere: (elementId: string) => boolean, goneLayer?: string): Glow[] {
  return glows.flatMap((glow) => {
    if (glow.when.when === "layer" && glow.when.layerId === goneLayer) return [];
    const lights = glow.lights?.filter(isThere) ?? null;
    if (lights?.length === glow.lights?.length) return [glow];
    return lights && lights.length > 0 ? [{ ...glow, lights }] : [];
  });
}
