"use client";

import { boardWayOf, isSocketed } from "@/core/document/buildSettings";
import type { BoardWay, SmallPartWay } from "@/core/document/buildSettings";
import { setBoardWay, setModuleWay } from "@/core/edits/build";
import { edit, useDesign } from "@/store/bench";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { Section } from "@/ui/pieces/sheets";

const WAYS: { value: BoardWay; label: string }[] = [
  { value: "hand-wired", label: "wired by hand" },
  { value: "made-board", label: "on a made board" },
  { value: "direct", label: "parts right on the module" },
];

const SMALL: { value: SmallPartWay; label: string }[] = [
  { value: "leaded", label: "with leads, soldered from behind" },
  { value: "surface", label: "on pads, with stencil and paste" },
];

/** How each board is made, and whether its module comes off again. */
export function WaysSection() {
  const design = useDesign();
  const { boards, controllers } = design;
  return (
    <Section title="How it is made">
      {boards.map(({ id, name }) => {
        const { way, smallParts } = boardWayOf(design, id);
        return (
          <div key={id}>
            <ChoiceField
              label={boards.length === 1 ? "Conductors" : `Conductors of ${name}`}
              value={way}
              choices={WAYS}
              onCommit={(value) => edit("way of making", (d) => setBoardWay(d, id, { way: value as BoardWay }))}
            />
            {way === "made-board" && (
              <ChoiceField
                label={boards.length === 1 ? "Small parts" : `Small parts of ${name}`}
                value={smallParts}
                choices={SMALL}
                onCommit={(value) =>
                  edit("small parts", (d) => setBoardWay(d, id, { smallParts: value as SmallPartWay }))
                }
              />
            )}
          </div>
        );
      })}
      {controllers.map(({ id }, nth) => (
        <Checkbox
          key={id}
          label={`A${nth + 1} sits in sockets and comes off again`}
          checked={isSocketed(design, id)}
          onChange={(isOn) => edit("sockets", (d) => setModuleWay(d, id, isOn ? "socketed" : "soldered"))}
        />
      ))}
    </Section>
  );
}
