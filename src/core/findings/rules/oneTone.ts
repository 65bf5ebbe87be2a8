import { hasUsb8Chip } from "../../chips/usb8Classes";
import { changeControl } from "../../edits/controls";
import { toneOf } from "../../catalogue/kinds/outputs";
import { scanTableOf } from "../../firmware/scanTable";
import { type Rule, controlSubject, listed } from "../finding";

/** Sounders that want a tone, of which the finished image makes one. */
export const oneTone: Rule = {
  id: "wiring/one-tone",
  stage: "wiring",
  severity: "warn",
  why: "The 8-bit USB classes have one timer left for it: a finished image is refused with more.",
  source: "firmware/hal/usb8/tone.c",
  eachController: true,
  check(design, { profile }) {
    const placed = design.controls.filter((control) => toneOf(control) > 0);
    if (placed.length < 2 || !profile || !hasUsb8Chip(profile.id)) return [];
    const wired = new Set(scanTableOf(design).lamps.map(({ controlId }) => controlId));
    const sounders = placed.filter(({ id }) => wired.has(id));
    if (sounders.length < 2) return [];
    return [
      {
        message: `${listed(sounders.map(({ label }) => label))} want tones; this chip makes one.`,
        subjects: sounders.map(({ id }) => controlSubject(id)),
        fixes: sounders.map(({ id, label }) => ({
          title: `Let ${label} be one that sounds by itself`,
          apply: (d) => changeControl(d, id, { ownTone: true }),
        })),
      },
    ];
  },
};
