"use client";

import { Box } from "@chakra-ui/react";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";
import { halfName } from "@/core/derived/halfName";
import { isOnBus } from "@/core/document/partLinks";
import type { Design } from "@/core/document/schema";
import { loadWayOf } from "@/core/loader/loadWay";
import { StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { Row, Section } from "@/ui/pieces/sheets";
import { exportDesign } from "@/ui/files/exportDesign";
import { useDesignToLoad } from "./designToLoad";
import { BusAddresses } from "./BusAddresses";
import { LoadSteps, type LoadStep } from "./LoadSteps";
import { partSteps } from "./partSteps";
import { TwoSides } from "./TwoSides";

const steps = (profile: ControllerProfile): LoadStep[] => [
  {
    title: "Save the project and see that it is whole",
    words: "Unpack the archive; make compiles it for this computer as it is.",
  },
  {
    title: "Join it to your controller",
    words: `port.h asks for a dozen calls for pins of the ${profile.title}. Matrices, registers, multiplexers, expanders, ladders and lamps are driven through them. What is left is USB: pins.h has the descriptors.`,
  },
  {
    title: "Load it before the case is closed",
    words: "With your compiler's own tools, and the loader's button or reset in reach. Then press every control once.",
  },
];

const programs = (design: Design) =>
  `Each has a program of its own: ${design.controllers.map(({ id }, part) => `make PART=${part} for ${halfName(design, id)}`).join(", ")}.`;

/** Why there is nothing finished for it. */
function whyCompiled(design: Design, { firmware }: ControllerProfile): string {
  if (isOnBus(design))
    return "A finished image is there where all of them are 8-bit USB boards, and Python where all of them run it. The project has the calls for a bus: what the base writes to all, whom it asks, and how a module calls.";
  return firmware.compiled === "runs-usb"
    ? "There is no finished image for it, and it runs no Python as a USB device."
    : "It is no USB device by itself: it needs another controller between it and the computer.";
}

const OtherClasses = () => (
  <Section title="Classes that need none">
    <Box as="ul" fontSize="13px" paddingLeft="18px" listStyleType="disc">
      {controllerCatalogue
        .filter((one) => loadWayOf(one) !== "compile")
        .map((one) => (
          <li key={one.id}>
            {one.title}: {loadWayOf(one) === "image" ? "a finished image" : "Python"}
          </li>
        ))}
    </Box>
  </Section>
);

/** For classes that neither take a finished image nor run Python. */
export function CompileSheet({ profile }: { profile: ControllerProfile }) {
  const design = useDesignToLoad();
  const isInParts = design.controllers.length > 1;
  return (
    <TwoSides
      left={<LoadSteps steps={isInParts ? partSteps(design, steps(profile), programs(design)) : steps(profile)} />}
      right={
        <>
          <Section title={isOnBus(design) ? "Modules on a bus need a compiler" : "This class needs a compiler"}>
            <Box fontSize="13px">{whyCompiled(design, profile)}</Box>
            <Row>
              <StepButton onClick={() => void exportDesign(design, "firmware-project").then(notify)}>
                Save the project
              </StepButton>
            </Row>
          </Section>
          {isOnBus(design) ? <BusAddresses design={design} /> : <OtherClasses />}
        </>
      }
    />
  );
}
