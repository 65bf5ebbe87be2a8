"use client";

import { Box } from "@chakra-ui/react";
import { derive } from "@/core/derived/derive";
import { type Glow, type GlowHow, type GlowRule, type GlowShows, glowTitles } from "@/core/document/glows";
import { changeGlow } from "@/core/edits/glows";
import { ownKeyOf } from "@/core/firmware/lights";
import { edit, useDesign } from "@/store/bench";
import { ColourField } from "@/ui/pieces/ColourField";
import { Checkbox, ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { ValueFromField } from "./ValueFromField";
import { decodeState, encodeRule, knobsOf, stateChoices } from "./shownStates";

const FADE_MOST_MS = 5000;
const PERIOD_MS = { least: 1000, most: 60_000 };
const MOST_A_WAVE = 64;

/** The fields of one glow: when it is seen, what is seen, and which lights. */
export function GlowFields({ glow }: { glow: Glow }) {
  const set = (what: string, change: Partial<Glow>) => edit(what, (d) => changeGlow(d, glow.id, change));
  return (
    <>
      <WhenFields glow={glow} set={(when) => set("when a glow is seen", { when })} />
      <ShowsFields shows={glow.shows} set={(shows) => set("what a glow shows", { shows })} />
      <NumberField
        label="Then it fades in"
        unit="ms"
        whole
        min={0}
        max={FADE_MOST_MS}
        value={glow.fadeMs}
        onCommit={(fadeMs) => set("how a glow fades", { fadeMs })}
      />
      <WhichLights glow={glow} set={(lights) => set("which lights glow", { lights })} />
    </>
  );
}

function WhenFields({ glow, set }: { glow: Glow; set: (when: GlowRule) => void }) {
  const design = useDesign();
  const { when } = glow;
  const own = { value: "own-key", label: "that the key beside it is held" };
  const [always, ...others] = stateChoices(design);
  const decode = (value: string): GlowRule =>
    value === "own-key" ? { when: "own-key" } : (decodeState(value) ?? { when: "always" });
  return (
    <>
      <ChoiceField
        label="It shows"
        value={encodeRule(when)}
        choices={[always, own, ...others]}
        onCommit={(value) => set(decode(value))}
      />
      {when.when === "value" && <ValueFromField rule={when} set={set} />}
      {when.when === "own-key" && <OwnKeys glow={glow} />}
    </>
  );
}

/** Lights that have no key beside them stay dark in such a glow. */
function OwnKeys({ glow }: { glow: Glow }) {
  const design = useDesign();
  const lights =
    glow.lights ?? [...derive(design).elements.values()].filter((e) => e.kind === "light").map((e) => e.id);
  const alone = lights.filter((id) => ownKeyOf(design, id) === null).length;
  if (alone === 0) return null;
  return (
    <Box fontSize="13px" color="var(--warn)">
      {alone === lights.length ? "None of them has" : `${alone} of ${lights.length} have`} a key within one pitch; they
      stay dark here.
    </Box>
  );
}

const coloursOf = (shows: GlowShows) => ({
  colour: "colour" in shows ? shows.colour : "#806040",
  other: "other" in shows ? shows.other : "#000000",
  periodMs: "periodMs" in shows ? shows.periodMs : 4000,
  lightsAWave: "lightsAWave" in shows ? shows.lightsAWave : 8,
});

/** The same colours and times, seen in another way. */
function seenAs(how: GlowHow, shows: GlowShows, knob: string): GlowShows {
  const { colour, other, periodMs, lightsAWave } = coloursOf(shows);
  if (how === "still") return { how, colour };
  if (how === "value") return { how, colour, other, elementId: knob };
  if (how === "round") return { how, percent: 50, periodMs, lightsAWave };
  if (how === "wave") return { how, colour, other, periodMs, lightsAWave };
  return { how, colour, other, periodMs };
}

function ShowsFields({ shows, set }: { shows: GlowShows; set: (shows: GlowShows) => void }) {
  const design = useDesign();
  const knobs = knobsOf(design);
  const hows = (Object.keys(glowTitles) as GlowHow[]).filter((how) => how !== "value" || knobs.length > 0);
  return (
    <>
      <ChoiceField
        label="By"
        value={shows.how}
        choices={hows.map((how) => ({ value: how, label: glowTitles[how] }))}
        onCommit={(how) => set(seenAs(how as GlowHow, shows, knobs[0]?.id ?? ""))}
      />
      {shows.how === "value" && (
        <ChoiceField
          label="Of"
          value={shows.elementId}
          choices={knobs.map(({ id, label }) => ({ value: id, label }))}
          onCommit={(elementId) => set({ ...shows, elementId })}
        />
      )}
      {shows.how === "round" ? (
        <NumberField
          label="Brightness"
          unit="%"
          whole
          min={1}
          max={100}
          value={shows.percent}
          onCommit={(percent) => set({ ...shows, percent })}
        />
      ) : (
        <Columns>
          <ColourField label="Colour" value={shows.colour} onCommit={(colour) => set({ ...shows, colour })} />
          {"other" in shows && (
            <ColourField label="Other colour" value={shows.other} onCommit={(other) => set({ ...shows, other })} />
          )}
        </Columns>
      )}
      {"periodMs" in shows && <MovingFields shows={shows} set={set} />}
    </>
  );
}

type Moving = Extract<GlowShows, { periodMs: number }>;

function MovingFields({ shows, set }: { shows: Moving; set: (shows: GlowShows) => void }) {
  return (
    <Columns>
      <NumberField
        label={shows.how === "embers" ? "From one to the next" : "Once round in"}
        unit="ms"
        whole
        min={PERIOD_MS.least}
        max={PERIOD_MS.most}
        value={shows.periodMs}
        onCommit={(periodMs) => set({ ...shows, periodMs })}
      />
      {"lightsAWave" in shows && (
        <NumberField
          label="Lights a wave"
          unit="0: all"
          whole
          min={0}
          max={MOST_A_WAVE}
          value={shows.lightsAWave}
          onCommit={(lightsAWave) => set({ ...shows, lightsAWave })}
        />
      )}
    </Columns>
  );
}

function WhichLights({ glow, set }: { glow: Glow; set: (lights: string[] | null) => void }) {
  const design = useDesign();
  const all = [...derive(design).elements.values()].filter(({ kind }) => kind === "light");
  const ids = all.map(({ id }) => id);
  const tick = (id: string, on: boolean) => {
    const now = glow.lights ?? ids;
    const next = on ? ids.filter((one) => now.includes(one) || one === id) : now.filter((one) => one !== id);
    if (next.length > 0) set(next.length === ids.length ? null : next);
  };
  return (
    <Box as="fieldset" border="none" padding="0" margin="0">
      <Box as="legend" fontSize="13px" fontWeight="500" color="var(--faint)">
        Which lights
      </Box>
      <Box display="flex" flexWrap="wrap" columnGap="14px" rowGap="4px" maxHeight="150px" overflowY="auto">
        {all.map(({ id, label }) => (
          <Checkbox
            key={id}
            label={label}
            checked={glow.lights === null || glow.lights.includes(id)}
            disabled={glow.lights?.length === 1 && glow.lights[0] === id}
            onChange={(on) => tick(id, on)}
          />
        ))}
      </Box>
    </Box>
  );
}
