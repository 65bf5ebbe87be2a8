"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { type AxisUse, axisUseKinds, axisUsePhrase, freshAxisUse } from "@/core/axisUses";
import { POINTER_SPEED_MOST } from "@/core/axisUses/pointerUse";
import type { Control } from "@/core/catalogue/kinds";
import type { Element } from "@/core/catalogue/kinds/controlKind";
import { setAxisUse } from "@/core/edits/axes";
import { wipersOf } from "@/core/engine/movable";
import { padAxes, padAxisNames } from "@/core/hid/padShape";
import { edit, useDesign } from "@/store/bench";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";
import { MusicAxisFields } from "./MusicAxisFields";
import { AxisFields } from "./AxisFields";
import { useKeymap } from "./useKeymap";

/** What each axis of a stick or pot does on the layer in hand, and how its voltage is read. */
export function AxisSection({ control }: { control: Control }) {
  return wipersOf(control).map((wiper) => <OneAxis key={wiper.id} wiper={wiper} control={control} />);
}

const BENEATH = "beneath";

function OneAxis({ wiper, control }: { wiper: Element; control: Control }) {
  const design = useDesign();
  const { layer } = useKeymap();
  const [isOpen, setOpen] = useState(false);
  const isBase = layer.id === design.keymap.layers[0].id;
  const use = layer.axes && Object.hasOwn(layer.axes, wiper.id) ? layer.axes[wiper.id] : null;
  const set = (next: AxisUse | null) =>
    edit(`what ${wiper.label} does on ${layer.name}`, (d) => setAxisUse(d, layer.id, wiper.id, next));
  return (
    <Section title={`${wiper.label} on ${layer.name}`}>
      <ChoiceField
        label="It moves"
        value={use?.does ?? BENEATH}
        choices={[
          { value: BENEATH, label: isBase ? "nothing yet" : "as on the layer beneath" },
          ...axisUseKinds.map(({ does, title }) => ({ value: does, label: title })),
        ]}
        onCommit={(does) => set(does === BENEATH ? null : freshAxisUse(does as AxisUse["does"], wiper.end))}
      />
      {use && <UseFields use={use} set={set} />}
      {use && use.does !== "nothing" && <Box color="var(--faint)">{axisUsePhrase(use)}</Box>}
      <Row>
        <PlainButton aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          How {wiper.label} is read
        </PlainButton>
      </Row>
      {isOpen && <AxisFields wiper={wiper} control={control} />}
    </Section>
  );
}

function UseFields({ use, set }: { use: AxisUse; set: (use: AxisUse) => void }) {
  if (use.does === "nothing") return null;
  if (use.does === "pad")
    return (
      <ChoiceField
        label="Axis"
        value={use.axis}
        choices={padAxes.map((axis) => ({ value: axis, label: padAxisNames[axis] }))}
        onCommit={(axis) => set({ ...use, axis: axis as typeof use.axis })}
      />
    );
  if (use.does === "place")
    return (
      <ChoiceField
        label="On the screen"
        value={use.along}
        choices={[
          { value: "across", label: "across, from left to right" },
          { value: "down", label: "down, from top to bottom" },
        ]}
        onCommit={(along) => set({ ...use, along: along as typeof use.along })}
      />
    );
  if (use.does === "music") return <MusicAxisFields use={use} set={set} />;
  const isPointer = use.does === "pointer";
  const other = isPointer ? "down" : "up";
  return (
    <Columns>
      <ChoiceField
        label="Direction"
        value={use.along}
        choices={[
          { value: "right", label: "sideways" },
          { value: other, label: "up and down" },
        ]}
        onCommit={(along) => set({ ...use, along } as AxisUse)}
      />
      <NumberField
        label="At its end"
        unit={isPointer ? "counts/s" : "steps/s"}
        whole
        min={isPointer ? 10 : 1}
        max={isPointer ? POINTER_SPEED_MOST : 500}
        value={use.speed}
        onCommit={(speed) => set({ ...use, speed })}
      />
    </Columns>
  );
}
