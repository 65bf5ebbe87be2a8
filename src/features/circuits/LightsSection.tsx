"use client";

import { useState } from "react";
import { circuitKindOf } from "@/core/circuits";
import type { LightChain } from "@/core/circuits/lightChain";
import { derive } from "@/core/derived/derive";
import { changeCircuit } from "@/core/edits/wiring";
import type { FeedingPoints } from "@/core/power/remedies";
import type { SupplyView } from "@/core/power/supplyView";
import { fieldOf } from "@/core/schemaLimits";
import { counted, listed } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { checking } from "@/workers/checking";
import { PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { ma, volts } from "./words";

const FEEDS = [
  { value: "5V", label: "5 V" },
  { value: "diode", label: "5 V through a diode" },
  { value: "logic", label: "the logic's voltage" },
];
const COLOURS = [
  { value: "3", label: "all three, white" },
  { value: "2", label: "two at most" },
  { value: "1", label: "one at a time" },
];

/** How bright, how many and from where: what a chain of lights takes, and what would hold. */
export function LightsSection({ chain, view }: { chain: LightChain; view: SupplyView }) {
  const schema = circuitKindOf(chain).schema;
  const set = (what: string, change: Partial<LightChain>) =>
    edit(what, (d) => changeCircuit<LightChain>(d, chain.id, change));
  const load = view.chains.find(({ circuitId }) => circuitId === chain.id);
  if (!load) return null;
  return (
    <Section title={chain.name}>
      <Columns>
        <NumberField
          label="Brightest"
          unit="%"
          whole
          schema={fieldOf(schema, "brightnessPercent")}
          value={chain.brightnessPercent}
          onCommit={(brightnessPercent) => set("brightness of the lights", { brightnessPercent })}
        />
        <ChoiceField
          label="Colours at once"
          value={String(chain.colours)}
          choices={COLOURS}
          onCommit={(colours) => set("colours at once", { colours: Number(colours) as LightChain["colours"] })}
        />
        <ChoiceField
          label="Runs on"
          value={chain.feed}
          choices={FEEDS}
          onCommit={(feed) => set("supply of the lights", { feed: feed as LightChain["feed"] })}
        />
        {chain.mostLit !== null && (
          <NumberField
            label="Lit at once"
            unit=""
            whole
            schema={fieldOf(schema, "mostLit")}
            value={chain.mostLit}
            onCommit={(mostLit) => set("lights at once", { mostLit })}
          />
        )}
      </Columns>
      <Checkbox
        label="Only so many lit at once"
        checked={chain.mostLit !== null}
        onChange={(on) => set("lights at once", { mostLit: on ? Math.ceil(load.lights / 2) : null })}
      />
      <Values
        rows={[
          ["All at their most", ma(load.worstMa)],
          ["The light with least", volts(load.leastV)],
          ["Dark, for their own logic", ma(load.darkMa)],
          ["Highest brightness that holds", view.highestBrightness === null ? "none" : `${view.highestBrightness} %`],
          ["Most at once that holds", view.mostLit ?? "none"],
        ]}
      />
      <Feeding chain={chain} />
    </Section>
  );
}

/** Where a long chain is fed once more: by itself the fewest places, or cleared again. */
function Feeding({ chain }: { chain: LightChain }) {
  const design = useDesign();
  const [found, setFound] = useState<{ points: FeedingPoints | null } | null>(null);
  const label = (id: string) => derive(design).elements.get(id)?.label ?? id;
  const find = async () => {
    const points = await checking().feeding(design, chain.id);
    if (points && points.ids.length > 0)
      edit("feeding points", (d) => changeCircuit<LightChain>(d, chain.id, { feedAt: points.ids }));
    setFound({ points });
  };
  return (
    <>
      <div>
        {chain.feedAt.length === 0
          ? "Fed at its start only."
          : `Fed once more at ${listed(chain.feedAt.map(label))}: ${counted(2 * chain.feedAt.length, "wire")} straight from where the supply begins.`}
      </div>
      <Row>
        <PlainButton onClick={() => void find()}>Find where to feed</PlainButton>
        {chain.feedAt.length > 0 && (
          <PlainButton
            onClick={() => edit("feeding points", (d) => changeCircuit<LightChain>(d, chain.id, { feedAt: [] }))}
          >
            Feed at the start only
          </PlainButton>
        )}
      </Row>
      {found && <div role="status">{foundWords(found.points)}</div>}
    </>
  );
}

function foundWords(points: FeedingPoints | null): string {
  if (!points) return "No number of places is enough: the voltage is lost before the chain. Look at cable and source.";
  if (points.ids.length === 0) return `The start is enough: the light with least has ${points.leastV.toFixed(2)} V.`;
  const sure = points.isFewest ? "fewer are not enough" : "found by feeding the lowest again and again";
  return `${counted(points.ids.length, "place")}, ${sure}; the light with least has ${points.leastV.toFixed(2)} V.`;
}
