"use client";

import { Box } from "@chakra-ui/react";
import { LINK } from "@/core/contract/link";
import { ONE_PLUG } from "@/core/targets/onePlug";
import { halfName } from "@/core/derived/halfName";
import type { Design } from "@/core/document/schema";
import { exportDesign } from "@/ui/files/exportDesign";
import { StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { Row, Section } from "@/ui/pieces/sheets";
import { useDesignToLoad } from "./designToLoad";
import { LoadSteps, type LoadStep } from "./LoadSteps";
import { TwoSides } from "./TwoSides";

const rate = new Intl.NumberFormat("en-GB").format(LINK.BITS_A_SECOND);

const steps = (design: Design): LoadStep[] => [
  {
    title: "Save the sources and see that they are whole",
    words: "Unpack the archive; make check compiles them for this computer and plays the main part as simulated here.",
  },
  {
    title: "Join them to your controllers",
    words: `hal/hal_board.c asks for the calls of your boards: pins, USB, and the serial line between them (${rate} bit a second). pins.h says on which part each line is.`,
  },
  {
    title: "Compile them once for each part",
    words: design.controllers.map(({ id }, part) => `For ${halfName(design, id)} with -DOV_PART=${part}.`).join(" "),
  },
  {
    title: "Load each by itself, before the cases are closed",
    words: `With the plug in the part that is loaded and the line between them off. Then join them, and press every control once; and once more with the plug in the other part. ${ONE_PLUG}`,
  },
];

/** For parts whose controllers are loaded in several ways: sources that serve all of them. */
export function PartsSheet() {
  const design = useDesignToLoad();
  return (
    <TwoSides
      left={<LoadSteps steps={steps(design)} />}
      right={
        <Section title="Each part is loaded by itself">
          <Box fontSize="13px">
            The parts have controllers of several classes, which are loaded in several ways; there are sources that
            serve all of them. Load all parts again whenever the design has changed: parts that are loaded with
            different things do not understand each other, and each then speaks for itself alone.
          </Box>
          <Row>
            <StepButton onClick={() => void exportDesign(design, "firmware-c").then(notify)}>
              Save the sources
            </StepButton>
          </Row>
        </Section>
      }
    />
  );
}
