"use client";

import { busSettingsSchema } from "@/core/document/supplySettings";
import { setBus } from "@/core/edits/buses";
import { hexAddress } from "@/core/levels/addresses";
import type { Crossing, LevelsView } from "@/core/levels/levelsView";
import { fieldOf } from "@/core/schemaLimits";
import { listed } from "@/core/words";
import { edit, useDesign } from "@/store/bench";
import { useLevelsView } from "@/store/circuitsAside";
import { StepButton } from "@/ui/pieces/buttons";
import { NumberField } from "@/ui/pieces/fields";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { BusClock } from "./BusClock";
import { SmallTable } from "@/ui/pieces/SmallTable";
import { ohms, volts } from "./words";

/** Signals between parts on different voltages, and the two-wire buses. */
export function LevelsTab() {
  const { view, trouble } = useLevelsView(useDesign());
  if (!view) return <Section title="Levels">{trouble ?? "Comparing …"}</Section>;
  if (!view.hasController)
    return (
      <Section title="Levels">
        <div>Choose a controller in Pins first: its class says at which voltage it speaks.</div>
      </Section>
    );
  if (view.crossings.length + view.buses.length === 0)
    return (
      <Section title="Levels">
        <div>Every signal stays within the controller and its switches: nothing runs on another voltage.</div>
      </Section>
    );
  return (
    <>
      {view.crossings.map((crossing) => (
        <CrossingSection key={`${crossing.circuitId} ${crossing.driver}`} crossing={crossing} />
      ))}
      {view.buses.map((bus) => (
        <BusSection key={bus.bus} check={bus} />
      ))}
    </>
  );
}

const hertz = (hz: number) => (hz >= 1e6 ? `${(hz / 1e6).toFixed(1)} MHz` : `${(hz / 1000).toFixed(0)} kHz`);
const VERDICTS = { fits: "fits", "too low": "too low", "too high": "too high: it damages the input" };

function CrossingSection({ crossing }: { crossing: Crossing }) {
  const {
    circuit,
    driver,
    receiver,
    highV,
    lowV,
    needsHighV,
    takesLowV,
    driverV,
    receiverV,
    mostV,
    hz,
    verdict,
    ways,
  } = crossing;
  return (
    <Section title={`${circuit}: ${driver} to ${receiver}`}>
      <div style={{ color: "var(--faint)" }}>{listed(crossing.flags)}</div>
      <Values
        rows={[
          ["From, to", `${volts(driverV)}, ${volts(receiverV)}`],
          ["High: gives, needs", `${volts(highV)}, ${volts(needsHighV)}`],
          ["Low: gives, takes", `${volts(lowV)}, ${volts(takesLowV)}`],
          ["The input stands", volts(mostV)],
          [
            "Verdict",
            <span key="v" style={{ color: verdict === "fits" ? undefined : "var(--stop)" }}>
              {VERDICTS[verdict]}
            </span>,
          ],
        ]}
      />
      <SmallTable
        label={`Ways across for ${circuit}`}
        heads={[`Way, for ${hertz(hz)}`, "Carries", "Arrives"]}
        rows={ways.map(({ title, why, fastestHz, highV: arrives, works }) => [
          <span key="way">
            <span style={{ fontWeight: works ? 700 : 400 }}>
              {title}: {works ? "works" : "does not"}
            </span>
            <br />
            <span style={{ color: "var(--faint)", fontSize: 13 }}>{why}</span>
          </span>,
          hertz(fastestHz),
          volts(arrives),
        ])}
      />
    </Section>
  );
}

function BusSection({ check }: { check: LevelsView["buses"][number] }) {
  const { bus, parts, pf, leastOhm, mostOhm, drawnOhm, modulesOhm, wholeOhm, proposedOhm, riseNs, addresses } = check;
  const isRight = wholeOhm >= leastOhm && wholeOhm <= mostOhm;
  return (
    <Section title={`Two-wire bus ${bus + 1}`}>
      <BusClock bus={bus} />
      <NumberField
        label="Pull-up of each wire"
        unit="Ω"
        schema={fieldOf(busSettingsSchema, "pullUpOhm")}
        value={drawnOhm}
        onCommit={(pullUpOhm) => edit("pull-ups of the bus", (d) => setBus(d, bus, { pullUpOhm }))}
      />
      <Values
        rows={[
          ["Parts on it", parts],
          ["Capacitance", `${pf.toFixed(0)} pF`],
          ["May lie between", `${ohms(leastOhm)} and ${ohms(mostOhm)}`],
          ...(modulesOhm === null ? [] : ([["Modules carry", ohms(modulesOhm)]] as [string, string][])),
          [
            "All in parallel",
            <span key="all" style={{ color: isRight ? undefined : "var(--stop)" }}>
              {ohms(wholeOhm)}
            </span>,
          ],
          ["Rises in", `${riseNs.toFixed(0)} ns`],
        ]}
      />
      <SmallTable
        label={`Addresses on two-wire bus ${bus + 1}`}
        heads={["Part", "Address", "Set by"]}
        rows={addresses.map(({ part, address, setBy, behind }) => [
          part,
          hexAddress(address),
          behind ? `${setBy}; branch ${behind.branch} of ${hexAddress(behind.address)}` : setBy,
        ])}
      />
      {proposedOhm !== null && proposedOhm !== drawnOhm && (
        <Row>
          <StepButton onClick={() => edit("pull-ups of the bus", (d) => setBus(d, bus, { pullUpOhm: proposedOhm }))}>
            Take {ohms(proposedOhm)}
          </StepButton>
        </Row>
      )}
    </Section>
  );
}
