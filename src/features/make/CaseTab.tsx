"use client";

import { Box } from "@chakra-ui/react";
import { cautionWords } from "@/core/assembly/cautions";
import { plastics, sheets } from "@/core/cases/caseMaterials";
import type { CaseView } from "@/core/cases/caseView";
import { type CaseSettings, type CaseWay, caseSchema } from "@/core/document/caseSettings";
import { towerPlaces } from "@/core/cases/towerPlaces";
import { addTowers, changeCase, chooseCase } from "@/core/edits/caseEdits";
import { edit, useDesign } from "@/store/bench";
import { useCases } from "@/store/assemblyAside";
import { select } from "@/store/hand";
import { pickStack, useStepInHand } from "@/store/stepInHand";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { type NumberLine, NumberFields } from "@/ui/pieces/NumberFields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { CaseFiles } from "./CaseFiles";
import { CaseOutcome } from "./CaseOutcome";

const WAYS = [
  { value: "", label: "none" },
  { value: "printed", label: "printed tray" },
  { value: "layers", label: "cut layers, screwed together" },
];

const TOWERS = [
  { value: "inserts", label: "brass inserts set by heat, in printed towers" },
  { value: "self-cutting", label: "screws that cut into printed towers" },
  { value: "bought", label: "bought standoffs, screwed through the floor" },
];

type Measure = NumberLine<"wallMm" | "floorMm" | "clearMm" | "rimMm" | "tiltDeg" | "sheetMm">;

const PRINTED: Measure[] = [
  { key: "wallMm", label: "Wall", unit: "mm" },
  { key: "floorMm", label: "Floor", unit: "mm" },
  { key: "clearMm", label: "Air around the plate", unit: "mm" },
  { key: "rimMm", label: "Rim above the plate", unit: "mm" },
  { key: "tiltDeg", label: "Rear higher by", unit: "°" },
];

const CUT: Measure[] = [
  { key: "wallMm", label: "Frame", unit: "mm" },
  { key: "sheetMm", label: "Sheet", unit: "mm" },
  { key: "clearMm", label: "Air around the plate", unit: "mm" },
  { key: "rimMm", label: "Rim above the plate", unit: "mm" },
];

/** How the case is made, its measures, what comes out, and its files. */
export function CaseTab() {
  const design = useDesign();
  const { view, trouble } = useCases(design);
  const settings = design.case;
  return (
    <>
      <Section title="Case">
        <ChoiceField
          label="It is a"
          value={settings?.way ?? ""}
          choices={WAYS}
          onCommit={(way) => edit("case", (d) => chooseCase(d, way === "" ? null : (way as CaseWay)))}
        />
        {!settings && (
          <Box color="var(--faint)">
            A tray around the plate follows from the stack: walls, floor, towers for the screws, a way for the plug.
          </Box>
        )}
      </Section>
      {settings && trouble && <Section title="What comes out">It could not be worked out: {trouble}</Section>}
      {settings && view && <Outcomes views={view} />}
      {settings && <Measures settings={settings} />}
      {settings && <CaseFiles way={settings.way} />}
    </>
  );
}

const set = (change: Partial<CaseSettings>) => edit("case", (d) => changeCase(d, change));

function Measures({ settings }: { settings: CaseSettings }) {
  const { beds } = useDesign().making;
  const isPrinted = settings.way === "printed";
  return (
    <Section title="Measures">
      <Columns>
        <NumberFields
          schema={caseSchema}
          lines={isPrinted ? PRINTED : CUT}
          values={settings}
          onCommit={(key, value) => set({ [key]: value })}
        />
      </Columns>
      {isPrinted && (
        <ChoiceField
          label="The plate is held by"
          value={settings.towers}
          choices={TOWERS}
          onCommit={(towers) => set({ towers: towers as CaseSettings["towers"] })}
        />
      )}
      <ChoiceField
        label="Material"
        value={isPrinted ? settings.plastic : settings.sheet}
        choices={(isPrinted ? plastics : sheets).map(({ id, title }) => ({ value: id, label: title }))}
        onCommit={(id) =>
          set(isPrinted ? { plastic: id as CaseSettings["plastic"] } : { sheet: id as CaseSettings["sheet"] })
        }
      />
      {isPrinted && <Box color="var(--faint)">{plastics.find(({ id }) => id === settings.plastic)!.note}</Box>}
      {beds.length > 0 && (
        <ChoiceField
          label={isPrinted ? "Bed" : "Sheet it is cut from"}
          value={beds.some(({ id }) => id === settings.bedId) ? settings.bedId : beds[0].id}
          choices={beds.map(({ id, name, widthMm, heightMm }) => ({
            value: id,
            label: `${name}, ${widthMm} × ${heightMm} mm`,
          }))}
          onCommit={(bedId) => set({ bedId })}
        />
      )}
      <Box color="var(--faint)">{cautionWords[isPrinted ? "heat" : "laser"]}</Box>
    </Section>
  );
}

function Outcomes({ views }: { views: CaseView[] }) {
  const picked = useStepInHand((state) => state.stackOf);
  if (views.length === 0)
    return (
      <Section title="What comes out">
        No board has an edge and a plate, so there is nothing to put a case around: give one an edge in Layout.
      </Section>
    );
  const shown = views.find(({ boardId }) => boardId === picked) ?? views[0];
  return (
    <>
      {views.length > 1 && (
        <Section title="Board">
          <ChoiceField
            label="Board"
            hideLabel
            value={shown.boardId}
            choices={views.map(({ boardId, boardName }) => ({ value: boardId, label: boardName }))}
            onCommit={pickStack}
          />
        </Section>
      )}
      <CaseOutcome view={shown} />
      <Section
        title="Before it is made"
        aside={<span>{shown.troubles.length === 0 ? "it fits" : shown.troubles.length}</span>}
      >
        {shown.troubles.length === 0 && <div>Everything has its air, the plug gets through, the plate is held.</div>}
        <ul style={{ listStyle: "none", padding: 0, margin: 0 }}>
          {shown.troubles.map(({ message, controlIds, wantsTowers }) => (
            <Box as="li" key={message} borderLeft="3px solid var(--warn)" paddingLeft="8px" marginBottom="8px">
              <div>{message}</div>
              {controlIds.length > 0 && <PlainButton onClick={() => select(controlIds)}>Show it</PlainButton>}
              {wantsTowers && towerPlaces(shown.plan).length > 1 && (
                <PlainButton onClick={() => edit("standoffs", (d) => addTowers(d, shown.boardId))}>
                  Add standoffs near the corners
                </PlainButton>
              )}
            </Box>
          ))}
        </ul>
      </Section>
    </>
  );
}
