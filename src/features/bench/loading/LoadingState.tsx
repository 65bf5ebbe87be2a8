"use client";

import { Box } from "@chakra-ui/react";
import type { LoadProgress } from "@/core/loader/serialLoader";
import { type Loading, stopLoading } from "@/store/loading";
import { PlainButton } from "@/ui/pieces/buttons";

const WORDS: Record<LoadProgress["doing"], string> = {
  asking: "Asking who is there",
  erasing: "Erasing what was there",
  writing: "Writing",
  checking: "Reading back",
  starting: "Starting the device",
};

/** How far loading is, or how it ended. */
export function LoadingState({ loading }: { loading: Loading }) {
  return (
    <Box role="status" minHeight="58px" fontSize="13px">
      {loading.state === "choosing" && "Choose the port that has just appeared."}
      {loading.state === "running" && <Running progress={loading.progress} />}
      {loading.state === "done" && <Done loading={loading} />}
      {loading.state === "failed" && (
        <Box color="var(--stop)" fontWeight="600">
          {loading.words}
        </Box>
      )}
    </Box>
  );
}

function Running({ progress: { doing, bytes, of } }: { progress: LoadProgress }) {
  const percent = of > 0 ? Math.round((100 * bytes) / of) : 0;
  return (
    <Box display="flex" alignItems="center" gap="10px">
      <Box flex="1">
        {WORDS[doing]} {doing === "writing" || doing === "checking" ? `${percent} %` : "…"}
        <Box
          role="progressbar"
          aria-label={WORDS[doing]}
          aria-valuenow={percent}
          aria-valuemin={0}
          aria-valuemax={100}
          height="6px"
          marginTop="5px"
          bg="var(--paper)"
          border="1px solid var(--edge)"
        >
          <Box height="100%" width={`${percent}%`} bg="var(--saffron)" />
        </Box>
      </Box>
      <PlainButton onClick={stopLoading}>Stop</PlainButton>
    </Box>
  );
}

function Done({ loading: { on, bytes } }: { loading: Extract<Loading, { state: "done" }> }) {
  const count = bytes.toLocaleString("en");
  return (
    <Box color="var(--settled)" fontWeight="600">
      {on === "board"
        ? `${count} bytes are written and were read back without a difference. The device starts: press every control once.`
        : `The stand-in took ${count} bytes and gave them back without a difference. A board goes the same way.`}
    </Box>
  );
}
