import type { PanelLine } from "@/core/hid/panelLine";
import { panelLines } from "@/core/hid/panelLine";
import { controllerOf, panelMessages, valueOf } from "@/core/hid/panelNotes";
import { type PanelSettings, type TellingWay } from "@/core/hid/panelSettings";
import { playToDevice, sayLines, tellPanel, useSession } from "@/store/session";

type Told = ReturnType<typeof useSession.getState>["told"];

/** The program tells all this, in its way; each has numbers of its own: what a controller can tell has 128 steps. */
export function tellAll(now: Told, way: TellingWay | undefined, notes: PanelSettings["notes"]): void {
  const before = useSession.getState().told;
  if (way === "lines") return sayLines(panelLines(before, now), now);
  if (way !== "notes" || !notes) return tellPanel(now);
  const told = { ...now, values: now.values.map((value) => valueOf(controllerOf(value))) };
  playToDevice(panelMessages(before, told, notes), told);
}

/** What is told, with this told beside. */
export function toldWith(told: Told, { of, nth, to }: PanelLine): Told {
  const filled = <T>(list: T[], own: T, none: T) =>
    Array.from({ length: Math.max(list.length, nth + 1) }, (_, at) => (at === nth ? own : (list[at] ?? none)));
  return of === "flags"
    ? { ...told, flags: filled(told.flags, to === 1, false) }
    : { ...told, values: filled(told.values, to, 0) };
}
