import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

export interface LoadStep {
  title: string;
  words: ReactNode;
  picture?: ReactNode;
}

/** What to do, in order, each step with its picture. */
export function LoadSteps({ steps }: { steps: LoadStep[] }) {
  return (
    <Box as="ol" aria-label="What to do, in order" margin="0" padding="0" listStyleType="none">
      {steps.map(({ title, words, picture }, nth) => (
        <Box
          as="li"
          key={title}
          display="grid"
          gridTemplateColumns="26px 1fr 116px"
          gap="10px"
          paddingBlock="9px"
          borderTop={nth === 0 ? undefined : "1px solid var(--edge)"}
        >
          <Box fontFamily="mono" fontWeight="700" color="var(--faint)">
            {nth + 1}
          </Box>
          <Box>
            <Box fontWeight="600">{title}</Box>
            <Box fontSize="13px">{words}</Box>
          </Box>
          <Box>{picture}</Box>
        </Box>
      ))}
    </Box>
  );
}
