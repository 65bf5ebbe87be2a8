"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import {
  type ControllerProfile,
  type Pin,
  controllerProfileSchema,
  usablePins,
} from "@/core/catalogue/controllers/controllerProfile";
import { pinTableCsv, readPinTable } from "@/core/formats/pinTable";
import { profileJson, readProfile } from "@/core/formats/profileJson";
import type { LineProblem } from "@/core/formats/table";
import { edit } from "@/store/bench";
import { newId } from "@/store/newId";
import { download } from "@/ui/files/download";
import { ProblemList, TextFile } from "@/ui/files/readIn";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { Row } from "@/ui/pieces/sheets";
import { Dialog } from "@/ui/pieces/Dialog";
import { ClassFields } from "./ClassFields";
import { PadDrawing } from "./PadDrawing";
import { PadFields } from "./PadFields";
import { PinColumnsHelp } from "./PinColumnsHelp";

interface ClassDialogProps {
  /** A class of the catalogue or of one's own to begin from. */
  from: ControllerProfile;
  isOwn: boolean;
  onClose: () => void;
}

/** A copy gets an id of its own, so that the catalogue's class stays. */
const draftOf = ({ from, isOwn }: ClassDialogProps): ControllerProfile =>
  isOwn ? from : { ...from, id: `own-${newId()}`.slice(0, 40), title: `${from.title}, my own`.slice(0, 80) };

const stem = (profile: ControllerProfile) => profile.title.replace(/[^A-Za-z0-9]+/g, "-").toLowerCase() || "class";

function problemsOf(profile: ControllerProfile): LineProblem[] {
  const parsed = controllerProfileSchema.safeParse(profile);
  const issues = parsed.success
    ? []
    : parsed.error.issues.map(({ path, message }) => ({
        line: 0,
        message: `${path.map(String).join(" ")}: ${message}`,
      }));
  const names = profile.pins.filter(({ role }) => role === "io").map(({ name }) => name);
  const twice = [...new Set(names.filter((name, nth) => names.indexOf(name) !== nth))];
  return [
    ...issues,
    ...twice.map((name) => ({ line: 0, message: `There are two I/O pins "${name}"; each needs its own name.` })),
  ];
}

/** A controller class of one's own: its numbers, its pads on a drawn outline, and both as files. */
export function ClassDialog(props: ClassDialogProps) {
  const { onClose } = props;
  const [profile, setProfile] = useState(() => draftOf(props));
  const [inHand, setInHand] = useState<number | null>(null);
  const [told, setTold] = useState<LineProblem[]>([]);
  const problems = problemsOf(profile);
  const change = (fields: Partial<ControllerProfile>) => setProfile({ ...profile, ...fields });
  const changePin = (nth: number, fields: Partial<Pin>) =>
    change({ pins: profile.pins.map((pin, i) => (i === nth ? { ...pin, ...fields } : pin)) });
  const keep = () => {
    edit("keep a controller class", (d) => ({
      ...d,
      profiles: [...d.profiles.filter(({ id }) => id !== profile.id), profile],
    }));
    onClose();
  };
  const readFile = (text: string, name: string) => {
    if (/^\s*\{/.test(text)) {
      const read = readProfile(text);
      if (!read.ok)
        return setTold(read.problems.map(({ path, message }) => ({ line: 0, message: `${path} ${message}` })));
      setProfile({ ...read.value, id: profile.id });
      return setTold([]);
    }
    const read = readPinTable(text);
    setTold(text === "" ? [{ line: 0, message: `${name}.` }] : read.problems);
    if (read.pins.length > 1) change({ pins: read.pins });
  };
  return (
    <Dialog
      open
      wide
      title="A controller class of my own"
      onClose={onClose}
      actions={
        <>
          <PlainButton onClick={onClose}>Leave it</PlainButton>
          <StepButton onClick={keep} disabled={problems.length > 0}>
            Keep the class
          </StepButton>
        </>
      }
    >
      <Box display="grid" gridTemplateColumns="300px 300px 1fr" gap="16px" maxHeight="62vh" overflowY="auto">
        <ClassFields profile={profile} change={change} />
        <Box>
          <PadDrawing
            profile={profile}
            inHand={inHand}
            onPick={setInHand}
            onMove={changePin}
            onAdd={(pin) => {
              change({ pins: [...profile.pins, pin] });
              setInHand(profile.pins.length);
            }}
          />
          <div>
            {usablePins(profile).length} usable pins of {profile.pins.length} pads. Click beside the pads for a new one.
          </div>
        </Box>
        <Box>
          {inHand !== null && profile.pins[inHand] ? (
            <PadFields
              key={inHand}
              pin={profile.pins[inHand]}
              change={(fields) => changePin(inHand, fields)}
              remove={() => {
                change({ pins: profile.pins.filter((_, i) => i !== inHand) });
                setInHand(null);
              }}
            />
          ) : (
            <p>Pick a pad on the drawing to see what it can do.</p>
          )}
        </Box>
      </Box>
      <Row>
        <TextFile accept=".json,.csv,.txt,.tsv" onText={readFile} />
        <PlainButton onClick={() => download(`${stem(profile)}.json`, "application/json", profileJson(profile))}>
          To a JSON file
        </PlainButton>
        <PlainButton onClick={() => download(`${stem(profile)}-pins.csv`, "text/csv", pinTableCsv(profile))}>
          Pins to a table (CSV)
        </PlainButton>
        <PinColumnsHelp />
      </Row>
      <ProblemList problems={[...told, ...problems]} />
    </Dialog>
  );
}
