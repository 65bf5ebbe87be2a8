import { Box } from "@chakra-ui/react";
import { useStage } from "../useStage";
import { StepButton } from "@/ui/pieces/buttons";

/** Nothing can be loaded before it is known into what. */
export function NoController({ onClose }: { onClose: () => void }) {
  const { go } = useStage();
  return (
    <Box>
      <Box marginBottom="12px">
        This design has no controller yet. Choose its class in Pins; the panel then says what to load and how.
      </Box>
      <StepButton
        onClick={() => {
          onClose();
          go("pins");
        }}
      >
        To Pins
      </StepButton>
    </Box>
  );
}
