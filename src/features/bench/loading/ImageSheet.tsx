"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { derive } from "@/core/derived/derive";
import { halfName } from "@/core/derived/halfName";
import { isOnBus } from "@/core/document/partLinks";
import type { Design } from "@/core/document/schema";
import type { Result } from "@/core/document/problem";
import type { FlashImage } from "@/core/image/flashImage";
import { forgetLoading, loadBoard, loadStandIn, useLoading } from "@/store/loading";
import { hasSerialPorts } from "@/store/serialTransport";
import { imageAside } from "@/workers/exporting";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { notify } from "@/ui/pieces/notices";
import { Row, Section } from "@/ui/pieces/sheets";
import { exportDesign } from "@/ui/files/exportDesign";
import { useDesignToLoad } from "./designToLoad";
import { BusAddresses } from "./BusAddresses";
import { imageSteps } from "./imageSteps";
import { partSteps } from "./partSteps";
import { LoadSteps } from "./LoadSteps";
import { LoadingState } from "./LoadingState";
import { TwoSides } from "./TwoSides";
import { WhatIsWritten } from "./WhatIsWritten";

/** For the 8-bit USB classes: a finished image, over the loader's serial port or as a file; one for each part of a device of several. */
export function ImageSheet() {
  const design = useDesignToLoad();
  const [part, setPart] = useState(0);
  const { profile } = derive(design).controllers[part];
  const made = useImage(design, part);
  if (made && !made.ok) return <Refused problems={made.problems.map(({ message }) => message)} />;
  const steps = imageSteps(profile!, design.reportSet.productName);
  const isInParts = design.controllers.length > 1;
  return (
    <TwoSides
      left={<LoadSteps steps={isInParts ? partSteps(design, steps, "Choose it on the right.") : steps} />}
      right={
        <>
          {isInParts && <WhichPart design={design} part={part} onChoose={setPart} />}
          {made && <WhatIsWritten design={design} sizes={made.value.sizes} />}
          {made && <LoadSection image={made.value} />}
          {isOnBus(design) && <BusAddresses design={design} />}
        </>
      }
    />
  );
}

function WhichPart({ design, part, onChoose }: { design: Design; part: number; onChoose: (part: number) => void }) {
  const isRunning = useLoading(({ loading }) => loading.state === "running");
  const choose = (next: string) => {
    if (isRunning) return;
    forgetLoading();
    onChoose(Number(next));
  };
  return (
    <Section title="Each part is loaded by itself">
      <ChoiceField
        label="Part that is loaded now"
        value={String(part)}
        choices={design.controllers.map(({ id }, nth) => ({ value: String(nth), label: halfName(design, id) }))}
        onCommit={choose}
      />
    </Section>
  );
}

/** The image of a part, once it is made. */
function useImage(design: Design, part: number): Result<FlashImage> | null {
  const [made, setMade] = useState<{ of: number; image: Result<FlashImage> } | null>(null);
  useEffect(() => {
    let isWanted = true;
    const put = (image: Result<FlashImage>) => isWanted && setMade({ of: part, image });
    imageAside(design, part).then(put, ({ message }: Error) => put({ ok: false, problems: [{ path: "", message }] }));
    return () => {
      isWanted = false;
    };
  }, [design, part]);
  return made?.of === part ? made.image : null;
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
  const design = useDesignToLoad();
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
        <PlainButton onClick={() => void exportDesign(design, "flash-image").then(notify)}>
          {design.controllers.length > 1 ? "Save the files of all parts" : "Save the file"}
        </PlainButton>
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
