"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";
import type { Result } from "@/core/document/problem";
import type { FlashImage } from "@/core/image/flashImage";
import { useDesign } from "@/store/bench";
import { loadBoard, loadStandIn, useLoading } from "@/store/loading";
import { hasSerialPorts } from "@/store/serialTransport";
import { imageAside } from "@/workers/exporting";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { Row, Section } from "@/ui/pieces/sheets";
import { exportDesign } from "@/ui/files/exportDesign";
import { imageSteps } from "./imageSteps";
import { LoadSteps } from "./LoadSteps";
import { LoadingState } from "./LoadingState";
import { TwoSides } from "./TwoSides";
import { WhatIsWritten } from "./WhatIsWritten";

/** For the 8-bit USB classes: a finished image, over the loader's serial port or as a file. */
export function ImageSheet({ profile }: { profile: ControllerProfile }) {
  const design = useDesign();
  const [made, setMade] = useState<Result<FlashImage> | null>(null);
  useEffect(() => {
    let isWanted = true;
    imageAside(design).then(
      (image) => isWanted && setMade(image),
      (problem: Error) => isWanted && setMade({ ok: false, problems: [{ path: "", message: problem.message }] }),
    );
    return () => {
      isWanted = false;
    };
  }, [design]);
  if (made && !made.ok) return <Refused problems={made.problems.map(({ message }) => message)} />;
  return (
    <TwoSides
      left={<LoadSteps steps={imageSteps(profile, design.reportSet.productName)} />}
      right={
        made && (
          <>
            <WhatIsWritten design={design} sizes={made.value.sizes} />
            <LoadSection image={made.value} />
          </>
        )
      }
    />
  );
}

function Refused({ problems }: { problems: string[] }) {
  return (
    <Box>
      <Box marginBottom="8px">No image can be made yet. The design</Box>
      <Box as="ul" paddingLeft="20px" listStyleType="disc">
        {problems.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
    </Box>
  );
}

function LoadSection({ image }: { image: FlashImage }) {
  const design = useDesign();
  const { loading } = useLoading();
  const isBusy = loading.state === "running" || loading.state === "choosing";
  const hasPorts = hasSerialPorts();
  return (
    <Section title="Load it">
      <Row>
        {hasPorts && (
          <StepButton disabled={isBusy} onClick={() => void loadBoard(image.parts)}>
            Choose the port and load
          </StepButton>
        )}
        <PlainButton onClick={() => void exportDesign(design, "flash-image").then(notify)}>Save the file</PlainButton>
        <PlainButton disabled={isBusy} onClick={() => void loadStandIn(image.parts)}>
          Try it without a board
        </PlainButton>
      </Row>
      {!hasPorts && (
        <Box fontSize="13px" color="var(--faint)">
          This browser reaches no serial ports. Save the file, and write it with any program that speaks with such a
          loader; or open Ovrin in a browser that does.
        </Box>
      )}
      <LoadingState loading={loading} />
    </Section>
  );
}
