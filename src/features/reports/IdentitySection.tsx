"use client";

import { Box } from "@chakra-ui/react";
import { reportSetSchema } from "@/core/document/schema";
import type { Design } from "@/core/document/schema";
import { fieldOf, limitsOf } from "@/core/schemaLimits";
import { edit, useDesign } from "@/store/bench";
import { TextField } from "@/ui/pieces/fields";
import { Columns, Section } from "@/ui/pieces/sheets";
import { hexProblem, hexWord } from "./hexWord";

type Identity = Design["reportSet"];

const set = (what: string, change: Partial<Identity>) =>
  edit(what, (design) => ({ ...design, reportSet: { ...design.reportSet, ...change } }));

const nameProblem = (text: string) =>
  text.trim() === "" || text.length > 60 ? "A name has 1 to 60 characters." : null;

/** Who the device says it is to the computer. */
export function IdentitySection() {
  const { reportSet } = useDesign();
  return (
    <Section title="Who the device says it is">
      <TextField
        label="Name shown by the computer"
        value={reportSet.productName}
        check={nameProblem}
        onCommit={(text) => set("product name", { productName: text.trim() })}
      />
      <TextField
        label="Maker"
        value={reportSet.maker}
        check={nameProblem}
        onCommit={(text) => set("maker", { maker: text.trim() })}
      />
      <Columns>
        <NumberInHex label="Vendor number" of="vendorId" />
        <NumberInHex label="Product number" of="productId" />
      </Columns>
      <Box fontSize="13px" color="var(--faint)">
        F0F0 is for trying out and nobody&rsquo;s own. What you give to others wants a vendor number that its holder
        lets you use, with a product number of its own.
      </Box>
    </Section>
  );
}

function NumberInHex({ label, of }: { label: string; of: "vendorId" | "productId" }) {
  const { reportSet } = useDesign();
  const { least } = limitsOf(fieldOf(reportSetSchema, of));
  return (
    <TextField
      label={label}
      mono
      value={hexWord(reportSet[of])}
      check={(text) => hexProblem(text, least)}
      onCommit={(text) => set(label.toLowerCase(), { [of]: parseInt(text, 16) })}
    />
  );
}
