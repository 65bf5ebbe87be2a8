"use client";

import { Box } from "@chakra-ui/react";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import { BATTERY, BATTERY_LABEL, measuredPack, usableLeft } from "@/core/derived/batteryValue";
import { cells } from "@/core/electrics/cells";
import type { Design } from "@/core/document/schema";
import { wipersOf } from "@/core/engine/movable";
import { moveWiper, useSession } from "@/store/session";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";

const WHOLE = 100;
type Pack = NonNullable<ReturnType<typeof measuredPack>>;

/** Sticks and pots, moved with exact numbers; here a stick stays where it is put until it is let go. */
export function MoveSection({ design }: { design: Design }) {
  const places = useSession((state) => state.places);
  const wipers = design.controls.flatMap((control) =>
    wipersOf(control).map((wiper) => ({ wiper, least: control.kind === "stick" ? -WHOLE : 0 })),
  );
  const pack = measuredPack(design);
  const { sensors } = useSession((state) => state.seen);
  const isRunning = useSession((state) => state.running);
  const springing = wipers.filter(({ least }) => least < 0).map(({ wiper }) => wiper.id);
  const idle = wipers.filter(({ wiper }) => isRunning && !sensors.includes(wiper.id)).map(({ wiper }) => wiper.label);
  return (
    <Section title="Move">
      {wipers.map(({ wiper, least }) => (
        <Slider key={wiper.id} wiper={wiper} least={least} place={places[wiper.id] ?? 0} />
      ))}
      {pack && <BatterySlider pack={pack} place={places[BATTERY] ?? 1} />}
      {springing.length > 0 && (
        <Row>
          <PlainButton
            disabled={springing.every((id) => !places[id])}
            onClick={() => springing.forEach((id) => moveWiper(id, 0))}
          >
            Let go of the {springing.length > 3 ? "sticks" : "stick"}
          </PlainButton>
        </Row>
      )}
      {idle.length > 0 && (
        <Box fontSize="13px" color="var(--faint)">
          Nothing comes of {idle.join(", ")}: say what {idle.length === 1 ? "it does" : "they do"} in Keymap.
        </Box>
      )}
    </Section>
  );
}

/** A battery is emptied by no hand, but one may look what the device makes of it. */
function BatterySlider({ pack, place }: { pack: Pack; place: number }) {
  const volts = pack.cutOffV + place * (cells[pack.cell].fullV - pack.cutOffV);
  const isRead = useSession((state) => state.seen.sensors.includes(BATTERY));
  return (
    <>
      <Slider
        wiper={{ id: BATTERY, label: BATTERY_LABEL }}
        least={0}
        place={place}
        said={`${(volts * pack.series).toFixed(2)} V`}
      />
      <Box fontSize="13px" color="var(--faint)">
        {Math.round(WHOLE * usableLeft(pack, volts))} % of what can be used is left
        {isRead ? "." : "; nothing shows it: choose in Keymap what does, or send it by radio."}
      </Box>
    </>
  );
}

interface SliderProps {
  wiper: Pick<Element, "id" | "label">;
  least: number;
  place: number;
  said?: string;
}

function Slider({ wiper, least, place, said }: SliderProps) {
  const percent = Math.round(place * WHOLE);
  return (
    <label style={{ display: "grid", gridTemplateColumns: "84px 1fr 64px", alignItems: "center", gap: 8 }}>
      <span>{wiper.label}</span>
      <input
        type="range"
        min={least}
        max={WHOLE}
        value={percent}
        aria-label={`Move ${wiper.label}, percent of its way`}
        onChange={(event) => moveWiper(wiper.id, Number(event.target.value) / WHOLE)}
        style={{ width: "100%", accentColor: "var(--saffron)" }}
      />
      <Box as="span" fontFamily="mono" textAlign="right">
        {said ?? `${percent} %`}
      </Box>
    </label>
  );
}
