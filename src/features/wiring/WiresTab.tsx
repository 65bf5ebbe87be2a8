"use client";

import { wireSettingsSchema } from "@/core/document/wireSettings";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Box } from "@chakra-ui/react";
import { useEffect } from "react";
import { linkConnectors, partConnectors } from "@/core/wires/connectors";
import { cutList, metresOf } from "@/core/wires/cutList";
import { supplyAt } from "@/core/power/solveSupply";
import { type Phase, type Wire, wiresOf } from "@/core/wires/wires";
import type { WireSettings } from "@/core/document/wireSettings";
import { edit, useDesign } from "@/store/bench";
import { flip, useHand } from "@/store/hand";
import { pickWire, useWiringView } from "@/store/wiringView";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Checkbox } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";

const ALLOWANCES: NumberLine<"endMm" | "slackPercent" | "signalMm2" | "supplyMm2">[] = [
  { key: "endMm", label: "At each end", unit: "mm" },
  { key: "slackPercent", label: "For bends", unit: "%" },
  { key: "signalMm2", label: "Signal wire", unit: "mm²" },
  { key: "supplyMm2", label: "Supply wire", unit: "mm²" },
];

const WORK: Record<Phase, string> = {
  rows: "Rows",
  columns: "Columns, insulated",
  branches: "Branches to added parts",
  supply: "Supply and ground",
  leads: "Leads to the controller",
  links: "Links between boards",
};

const change = (title: string, settings: Partial<WireSettings>) =>
  edit(title, (d) => ({ ...d, wires: { ...d.wires, ...settings } }));

/** Every wire in the order of the work, one at a time, ticked off as it is soldered. */
export function WiresTab() {
  const design = useDesign();
  const wires = wiresOf(design);
  if (wires.length === 0)
    return (
      <Section title="Walk the wires">
        <div>There is nothing to solder yet: put parts into circuits first.</div>
      </Section>
    );
  return (
    <>
      <Walk wires={wires} />
      <CutSection wires={wires} />
      <Connectors />
    </>
  );
}

function Walk({ wires }: { wires: Wire[] }) {
  const { wires: settings } = useDesign();
  const flipped = useHand((state) => state.flipped);
  const wireKey = useWiringView((state) => state.wireKey);
  const done = new Set(settings.done);
  const finished = wires.filter(({ key }) => done.has(key)).length;
  const nth = wires.findIndex(({ key }) => key === wireKey);
  const wire = wires[nth];
  useEffect(() => () => pickWire(null), []);
  const firstOpen = wires.find(({ key }) => !done.has(key));
  const begin = () => {
    if (!flipped) flip();
    pickWire((firstOpen ?? wires[0]).key);
  };
  const step = (by: number) => pickWire(wires[(nth + by + wires.length) % wires.length].key);
  const solder = () => {
    change("tick a wire", { done: [...settings.done, wire.key] });
    const next =
      wires.slice(nth + 1).find(({ key }) => !done.has(key)) ??
      wires.find(({ key }) => key !== wire.key && !done.has(key));
    pickWire(next?.key ?? wire.key);
  };
  return (
    <Section title="Walk the wires" aside={<span>{`${finished} of ${wires.length} done`}</span>}>
      {!wire && (
        <>
          <div>
            Rows first, then columns, then what leads away; seen from the solder side. Solder and hot insulation give
            off fumes: ventilate, and mind your eyes when you clip leads.
          </div>
          <Row>
            <StepButton onClick={begin}>{finished > 0 && firstOpen ? "Go on walking" : "Walk the wires"}</StepButton>
            {finished > 0 && (
              <PlainButton onClick={() => change("untick all wires", { done: [] })}>Untick all</PlainButton>
            )}
          </Row>
        </>
      )}
      {wire && (
        <>
          <WireCard wire={wire} nth={nth} count={wires.length} />
          <Checkbox
            label="Soldered"
            checked={done.has(wire.key)}
            onChange={(isDone) =>
              isDone ? solder() : change("untick a wire", { done: settings.done.filter((key) => key !== wire.key) })
            }
          />
          <Row>
            <PlainButton onClick={() => step(-1)}>Back</PlainButton>
            <StepButton onClick={() => (done.has(wire.key) ? step(1) : solder())}>
              {done.has(wire.key) ? "Next" : "Done, next"}
            </StepButton>
            <PlainButton onClick={() => step(1)}>Skip</PlainButton>
            <PlainButton onClick={() => pickWire(null)}>End</PlainButton>
          </Row>
        </>
      )}
    </Section>
  );
}

function WireCard({ wire, nth, count }: { wire: Wire; nth: number; count: number }) {
  return (
    <Box role="status" aria-label="Wire in hand">
      <Box color="var(--faint)">
        {WORK[wire.phase]} · wire {nth + 1} of {count}
      </Box>
      <Box fontSize="16px" fontWeight="700" marginBlock="2px">
        {wire.from.name} → {wire.to.name}
      </Box>
      <Values
        rows={[
          ["Net", wire.net],
          ["Cut", `${wire.cutMm} mm ${wire.colour}, ${wire.mm2} mm²`],
          ["Straight", `${wire.straightMm.toFixed(1)} mm`],
        ]}
      />
    </Box>
  );
}

function CutSection({ wires }: { wires: Wire[] }) {
  const design = useDesign();
  const settings = design.wires;
  const lines = cutList(wires);
  const rails = supplyAt(design, "worst")?.rails ?? [];
  return (
    <Section title="Cutting list">
      <Columns>
        <NumberFields
          schema={wireSettingsSchema}
          lines={ALLOWANCES}
          values={settings}
          onCommit={(key, value, { label }) => change(label.toLowerCase(), { [key]: value })}
        />
      </Columns>
      <Values
        rows={[
          ...metresOf(lines).map(({ colour, mm2, metres }): [string, string] => [
            `${colour}, ${mm2} mm²`,
            `${metres.toFixed(2)} m`,
          ]),
          ...rails.flatMap(({ flag, ma, volts, leastV, leastAt }): [string, string][] => [
            [`All parts on ${flag} at their most`, `${ma.toFixed(0)} mA`],
            [`Lost on the way to ${leastAt?.label ?? "its parts"} and back`, `${(volts - leastV).toFixed(3)} V`],
          ]),
        ]}
      />
      <details>
        <summary>{lines.length} lengths</summary>
        <Box as="table" width="100%" css={{ "& td, & th": { textAlign: "left", padding: "2px 4px" } }}>
          <thead>
            <tr>
              <th>Colour</th>
              <th>Length</th>
              <th>Count</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ colour, mm2, cutMm, count }) => (
              <tr key={`${colour} ${mm2} ${cutMm}`}>
                <td>
                  {colour}, {mm2} mm²
                </td>
                <td>{cutMm} mm</td>
                <td>{count}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </details>
      <div>Wire sheets to print, lists and netlists are under Export.</div>
    </Section>
  );
}

function Connectors() {
  const design = useDesign();
  const connectors = [...partConnectors(design), ...linkConnectors(design)];
  if (connectors.length === 0) return null;
  return (
    <Section title="Connectors">
      {connectors.map(({ name, pins }) => (
        <details key={name}>
          <summary>
            {name}: {pins.length} pins
          </summary>
          <ol style={{ paddingLeft: 20, margin: 0 }}>
            {pins.map(({ number, contact, net, to }) => (
              <li key={number}>
                {contact}: {net}
                {to && ` → ${to}`}
              </li>
            ))}
          </ol>
        </details>
      ))}
    </Section>
  );
}
