import type { Control } from "@/core/catalogue/kinds";

const AHEAD: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The control an arrow leads to: near, and more ahead than aside. On the solder side left and right change places. */
export function neighbour(controls: Control[], fromId: string, key: string, flipped: boolean): string | null {
  const from = controls.find((control) => control.id === fromId)?.placement;
  const direction = AHEAD[key];
  if (!from || !direction) return null;
  const dx = flipped ? -direction[0] : direction[0];
  let best: { id: string; cost: number } | null = null;
  for (const { id, placement } of controls) {
    const [x, y] = [placement.xMm - from.xMm, placement.yMm - from.yMm];
    const ahead = x * dx + y * direction[1];
    const aside = Math.abs(x * direction[1]) + Math.abs(y * dx);
    if (id === fromId || ahead <= 0.5) continue;
    const cost = ahead + 2.5 * aside;
    if (!best || cost < best.cost) best = { id, cost };
  }
  return best?.id ?? null;
}
