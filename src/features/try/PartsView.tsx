"use client";

import { Box } from "@chakra-ui/react";
import { halfName } from "@/core/derived/halfName";
import { isOnBus, isSeveralDevices } from "@/core/document/partLinks";
import { linkTimes } from "@/core/firmware/linkTimes";
import type { Design } from "@/core/document/schema";
import { setLine, useSession } from "@/store/session";
import type { PartsLine } from "@/store/sessionState";
import { Checkbox, ChoiceField } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";
import { listed } from "@/core/words";
import { pressToReport } from "./pressToReport";

/** Of so many bytes one is damaged, when it is wished. */
const DAMAGED_OF = 10;

const ms = (value: number | null | undefined) => (value === null || value === undefined ? "none yet" : `${value} ms`);

/** Parts that tell each other: the line or bus between them, what it adds, where the computer's plug is, and which modules are on. */
export function PartsView({ design }: { design: Design }) {
  const line = useSession((state) => state.line);
  const names = design.controllers.map(({ id }) => halfName(design, id));
  return isOnBus(design) ? (
    <ModulesView design={design} line={line} names={names} />
  ) : (
    <LineView design={design} line={line} names={names} />
  );
}

interface Shown {
  design: Design;
  line: PartsLine;
  /** What the parts are called, the main one first. */
  names: string[];
}

function LineView({ design, line, names: [near, far] }: Shown) {
  const { plugged, isHeard } = line;
  const isApart = isSeveralDevices(design);
  return (
    <Section title={isApart ? "Devices with plugs of their own" : "The line between its parts"}>
      <Box role="status" color={isHeard || isApart ? undefined : "var(--stop)"}>
        {isApart
          ? `${near} and ${far} know nothing of each other; the one whose plug is chosen is tried.`
          : isHeard
            ? `${near} and ${far} hear each other.`
            : `${near} and ${far} do not hear each other.`}
      </Box>
      <ChoiceField
        label="The computer’s plug is in"
        value={String(plugged)}
        choices={[
          { value: "0", label: near },
          { value: "1", label: far },
          { value: "null", label: "neither" },
        ]}
        onCommit={(value) => setLine({ ...line, plugged: value === "null" ? null : Number(value) })}
      />
      {!isApart && <Trouble line={line} what="line" />}
      {!isApart && <Times design={design} line={line} names={[near, far]} what="line" />}
    </Section>
  );
}

function heardWords({ line: { heard, away }, names }: Shown): string {
  const lost = names.slice(1).filter((_, nth) => heard[nth + 1] === false && !away.includes(nth + 1));
  const gone = names.slice(1).filter((_, nth) => away.includes(nth + 1));
  return [
    ...(lost.length > 0 ? [`${names[0]} does not hear ${listed(lost)}.`] : []),
    ...(gone.length > 0 ? [`${listed(gone)} ${gone.length === 1 ? "is" : "are"} pulled off.`] : []),
  ].join(" ");
}

function ModulesView(shown: Shown) {
  const { design, line, names } = shown;
  const { away, plugged } = line;
  const trouble = heardWords(shown);
  const setAway = (part: number, isAway: boolean) =>
    setLine({ ...line, away: [...away.filter((one) => one !== part), ...(isAway ? [part] : [])] });
  return (
    <Section title="Its modules on the bus">
      <Box role="status" color={trouble ? "var(--stop)" : undefined}>
        {trouble || `${names[0]} hears ${listed(names.slice(1))}.`}
      </Box>
      {names.slice(1).map((name, nth) => (
        <Checkbox
          key={nth}
          label={`${name} is pulled off`}
          checked={away.includes(nth + 1)}
          onChange={(isAway) => setAway(nth + 1, isAway)}
        />
      ))}
      <Checkbox
        label="The computer’s plug is pulled"
        checked={plugged === null}
        onChange={(isPulled) => setLine({ ...line, plugged: isPulled ? null : 0 })}
      />
      <Trouble line={line} what="bus" />
      <Times design={design} line={line} names={names} what="bus" />
    </Section>
  );
}

const Trouble = ({ line, what }: { line: PartsLine; what: "line" | "bus" }) => (
  <>
    <Checkbox
      label={`The ${what} is cut`}
      checked={line.trouble.isCut}
      onChange={(isCut) => setLine({ ...line, trouble: { ...line.trouble, isCut } })}
    />
    <Checkbox
      label={`One byte in ${DAMAGED_OF} on it is damaged`}
      checked={line.trouble.oneDamagedOf > 0}
      onChange={(on) => setLine({ ...line, trouble: { ...line.trouble, oneDamagedOf: on ? DAMAGED_OF : 0 } })}
    />
  </>
);

function Times({ design, line, names, what }: Shown & { what: "line" | "bus" }) {
  const contacts = useSession((state) => state.contacts);
  const reports = useSession((state) => state.reports);
  const { least, most } = linkTimes(design);
  const measured = pressToReport(design, contacts, reports);
  return (
    <Values
      rows={[
        [
          what === "line" ? "The line adds, by its bits" : "The bus adds, by its asks",
          `${least.toFixed(2)} to ${most.toFixed(2)} ms`,
        ],
        ...names.map((name, part): [string, string] => [`Press to report, ${name}`, ms(measured[part])]),
        [what === "line" ? "Frames that did not arrive" : "Asks without an answer", line.missed],
        ...(what === "line" ? [] : ([["Told together with one before", line.together]] as [string, number][])),
      ]}
    />
  );
}
