"use client";

import { useState } from "react";
import type { BankView, LadderView } from "@/core/analog/analogView";
import type { LadderChoice, LadderYield } from "@/core/analog/ladderDesign";
import { circuitKindOf } from "@/core/circuits";
import type { LadderCircuit } from "@/core/circuits/ladder";
import { changeCircuit } from "@/core/edits/wiring";
import { fieldOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { planning } from "@/workers/planning";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, NumberField } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { ma, ohms } from "./words";

const SERIES = ["E6", "E12", "E24"] as const;
const SAMPLES = 10_000;
const SEED = 1;

const percent = (part: number, digits = 2) => `${(100 * part).toFixed(digits)} %`;

/** A ladder: how far its keys keep apart, in the worst case and by chance, and which resistors would do better. */
export function LadderSection({ ladder }: { ladder: LadderView }) {
  const design = useDesign();
  const circuit = design.circuits.find(
    (one): one is LadderCircuit => one.id === ladder.circuitId && one.kind === "ladder",
  );
  if (!circuit) return null;
  const { schema } = circuitKindOf(circuit);
  const set = (what: string, change: Partial<LadderCircuit>) =>
    edit(what, (d) => changeCircuit<LadderCircuit>(d, circuit.id, change));
  const [first] = ladder.banks;
  const holds = first.margin >= ladder.neededMargin;
  return (
    <Section title={ladder.name}>
      <Columns>
        <NumberField
          label="Keys of a bank"
          unit=""
          whole
          schema={fieldOf(schema, "perBank")}
          value={circuit.perBank}
          onCommit={(perBank) => set("keys of a bank", { perBank })}
        />
        <NumberField
          label="Each resistor"
          unit="Ω"
          schema={fieldOf(schema, "resistorOhm")}
          value={circuit.resistorOhm}
          onCommit={(resistorOhm) => set("resistors of the ladder", { resistorOhm, rungOhms: [] })}
        />
        <NumberField
          label="Tolerance"
          unit="%"
          min={0}
          max={20}
          value={circuit.tolerance * 100}
          onCommit={(value) => set("tolerance of the resistors", { tolerance: value / 100 })}
        />
        <NumberField
          label="Supply ripple"
          unit="%"
          min={0}
          max={20}
          value={circuit.ripple * 100}
          onCommit={(value) => set("ripple of the supply", { ripple: value / 100 })}
        />
      </Columns>
      <Values
        rows={[
          [
            "Margin of the narrowest window",
            <span key="margin" style={{ color: holds ? undefined : "var(--stop)" }}>
              {percent(Math.min(...ladder.banks.map(({ margin }) => margin)))}
            </span>,
          ],
          ["A reading needs", percent(ladder.neededMargin)],
          ["Keys that a bank could hold", ladder.mostKeys],
          ["Banks", ladder.banks.length],
          ["A bank takes", ma(first.ma)],
          ["Settled after", `${first.settleUs.toFixed(1)} µs`],
          ["Two at once, told as one of them", `${first.two.asLower + first.two.asUpper} of ${first.two.pairs}`],
          ["Two at once, told as a third", `${first.two.asThird} of ${first.two.pairs}`],
        ]}
      />
      <Windows bank={first} />
      <ByChance circuitId={circuit.id} />
      <Better circuit={circuit} onTake={(rungOhms) => set("resistors of the ladder", { rungOhms })} />
      {circuit.rungOhms.length > 0 && (
        <Row>
          <PlainButton onClick={() => set("equal resistors", { rungOhms: [] })}>Take equal resistors</PlainButton>
        </Row>
      )}
    </Section>
  );
}

function Windows({ bank }: { bank: BankView }) {
  return (
    <details>
      <summary>Level of each key of the first bank</summary>
      <SmallTable
        label="Levels of the keys"
        heads={["Key", "Resistor", "Level", "Between"]}
        rows={bank.levels.map(({ label, level, least, most }, nth) => [
          label,
          ohms(bank.rungOhms[nth]),
          percent(level),
          `${percent(least)} – ${percent(most)}`,
        ])}
      />
    </details>
  );
}

function ByChance({ circuitId }: { circuitId: string }) {
  const design = useDesign();
  const [found, setFound] = useState<{ design: object; yielded: LadderYield } | null>(null);
  const play = async () => {
    const yielded = await planning().yieldOfLadder(design, circuitId, SEED, SAMPLES);
    if (yielded) setFound({ design, yielded });
  };
  const shown = found?.design === design ? found.yielded : null;
  return (
    <>
      <Row>
        <PlainButton onClick={() => void play()}>Build {SAMPLES.toLocaleString("en")} by chance</PlainButton>
      </Row>
      {shown && (
        <div role="status">
          {percent(shown.part, 1)} of them tell every key right. The worst kept {percent(shown.leastMargin)}, the exact
          worst case is {percent(shown.worstCase)}.
        </div>
      )}
    </>
  );
}

type Choice = LadderChoice & { equalMargin: number };

function Better({ circuit, onTake }: { circuit: LadderCircuit; onTake: (rungOhms: number[]) => void }) {
  const design = useDesign();
  const [series, setSeries] = useState<(typeof SERIES)[number]>("E12");
  const [found, setFound] = useState<{ design: object; choice: Choice } | null>(null);
  const [isBusy, setBusy] = useState(false);
  const look = async () => {
    setBusy(true);
    const choice = await planning().bestOfLadder(design, circuit.id, series, SEED);
    setBusy(false);
    if (choice) setFound({ design, choice });
  };
  const choice = found?.design === design ? found.choice : null;
  return (
    <>
      <ChoiceField
        label="Resistors of the series"
        value={series}
        choices={SERIES.map((value) => ({ value, label: value }))}
        onCommit={(value) => setSeries(value as (typeof SERIES)[number])}
      />
      <Row>
        <PlainButton disabled={isBusy} onClick={() => void look()}>
          {isBusy ? "Looking …" : "Look for better ones"}
        </PlainButton>
      </Row>
      {choice && (
        <div role="status">
          The best {choice.isExhaustive ? "of all choices" : "found"} keeps {percent(choice.margin)}, equal ones{" "}
          {percent(choice.equalMargin)}; none can keep more than {percent(choice.bound)}.
          {choice.margin > choice.equalMargin + 1e-9 && (
            <Row>
              <StepButton onClick={() => onTake(choice.rungOhms)}>
                Take {choice.rungOhms.map(ohms).join(", ")}
              </StepButton>
            </Row>
          )}
        </div>
      )}
    </>
  );
}
