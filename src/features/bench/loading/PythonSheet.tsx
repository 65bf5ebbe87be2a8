"use client";

import { Box } from "@chakra-ui/react";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";
import { type InterpreterScan, interpreterScan } from "@/core/firmware/interpreterCost";
import { type InterpretedParts, interpretedParts } from "@/core/firmware/interpretedParts";
import { scanTableOf } from "@/core/firmware/scanTable";
import { isOnBus } from "@/core/document/partLinks";
import type { Design } from "@/core/document/schema";
import { StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { Row, Section, Values } from "@/ui/pieces/sheets";
import { useHostLanguage } from "@/ui/useHostLanguage";
import { exportDesign } from "@/ui/files/exportDesign";
import { useDesignToLoad } from "./designToLoad";
import { BusAddresses } from "./BusAddresses";
import { LoadSteps, type LoadStep } from "./LoadSteps";
import { DrivePicture, HoldPicture, KeyboardPicture } from "./Pictures";
import { partSteps } from "./partSteps";
import { TwoSides } from "./TwoSides";

const steps = (product: string): LoadStep[] => [
  {
    title: "Put the interpreter on the board, once",
    words:
      "Before the case is closed: hold the loader's button while you plug the board in (boards without one: press reset twice). Copy the interpreter's file for your board onto the drive that appears.",
    picture: <HoldPicture />,
  },
  {
    title: "Copy the files",
    words:
      "Save the archive and unpack it. Onto the interpreter's drive go hardware.py, plan.py, tables.py and the folder device, then code.py, last boot.py.",
    picture: <DrivePicture name="drive: new" inside={["boot.py", "code.py", "device, …"]} />,
  },
  {
    title: "Unplug it, and plug it in again",
    words: `boot.py runs only when the board gets power. Then the computer finds “${product}”: press every control once.`,
    picture: <KeyboardPicture name={product} />,
  },
  {
    title: "When it goes wrong",
    words:
      "Rename code.py on the drive, and the device stays quiet. No drive any more? Hold the loader's button as for the interpreter. The archive's README says more.",
  },
];

const VERDICT: Record<InterpreterScan["verdict"], string> = {
  good: "Quick enough for typing.",
  slow: "Presses come late by as much, and quick turns of a knob lose steps.",
  "too-much":
    "Too much for Python on this class: short presses are missed. Take a class with a finished image, fewer lines, or a compiled device.",
};

const FOLDERS = "The archive has a folder for each part; only what is in its own goes onto its drive.";
const ALL_PYTHON =
  " All parts run Python, or none: a base in Python tells each module by itself, a compiled one tells all at once, which an interpreter may not hear.";
const inParts = (design: Design, all: LoadStep[]) => [
  ...partSteps(design, all.slice(0, -1), isOnBus(design) ? FOLDERS + ALL_PYTHON : FOLDERS),
  ...all.slice(-1),
];

const times = ({ leastMs, mostMs }: InterpreterScan) => `${leastMs.toFixed(1)} to ${mostMs.toFixed(1)} ms`;

const most = (ms: number) => `up to ${ms.toFixed(1)} ms`;

const rowsOf = ({ parts, waitsMs, laterMs }: InterpretedParts): [string, string][] => [
  ...parts.map(({ name, scan }): [string, string] => [name, times(scan)]),
  ...(waitsMs > 0 ? [["More, while the base waits for modules", most(waitsMs)] as [string, string]] : []),
  [`Later, what is not of ${parts[0].name}`, most(laterMs)],
];

/** How long a scan takes, of each part where there are several. */
function ScanTimes({ design, profile }: { design: Design; profile: ControllerProfile }) {
  const inParts = interpretedParts(design);
  const one = interpreterScan(design, scanTableOf(design), profile);
  const { verdict } = inParts ?? one;
  return (
    <Section title="One scan in Python">
      <Values rows={inParts ? rowsOf(inParts) : [["From memory, a range", times(one)]]} />
      {inParts && (
        <Box fontSize="13px" color="var(--faint)">
          Ranges from memory.
        </Box>
      )}
      <Box fontSize="13px" color={verdict === "good" ? "var(--faint)" : "var(--stop)"}>
        {VERDICT[verdict]}
      </Box>
    </Section>
  );
}

/** For boards that run Python: files to copy onto their drive. */
export function PythonSheet({ profile }: { profile: ControllerProfile }) {
  const design = useDesignToLoad();
  // The tables hold texts of macros, for which their language must be there.
  const language = useHostLanguage(design.keymap.hostLanguage);
  if (!language) return null;
  const own = steps(design.reportSet.productName);
  return (
    <TwoSides
      left={<LoadSteps steps={design.controllers.length > 1 ? inParts(design, own) : own} />}
      right={
        <>
          <ScanTimes design={design} profile={profile} />
          <Section title="Load it">
            <Row>
              <StepButton onClick={() => void exportDesign(design, "firmware-python").then(notify)}>
                Save the files
              </StepButton>
            </Row>
            <Box fontSize="13px" color="var(--faint)">
              Nothing to compile. On this computer the archive&rsquo;s play.py shows first that it reports as simulated.
            </Box>
          </Section>
          {isOnBus(design) && <BusAddresses design={design} />}
        </>
      }
    />
  );
}
