"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { Design } from "@/core/document/schema";
import { loadDemos } from "@/store/demos";
import { addCopy } from "@/store/shelf";
import { Dialog } from "@/ui/pieces/Dialog";

/** A fresh copy of a demo, to take apart. */
export function DemoDialog({ onClose }: { onClose: () => void }) {
  const [demos, setDemos] = useState<Design[]>([]);
  const router = useRouter();
  useEffect(() => void loadDemos().then(setDemos), []);
  const take = async (demo: Design) => {
    const copy = await addCopy(demo);
    onClose();
    if (copy) router.push(`/bench/${copy}/layout`);
  };
  return (
    <Dialog title="Take a copy of a demo" open onClose={onClose}>
      <ul style={{ listStyle: "none", margin: 0, padding: 0 }}>
        {demos.map((demo) => (
          <Box as="li" key={demo.id} borderTop="1px solid var(--edge)">
            <button
              onClick={() => void take(demo)}
              style={{ width: "100%", textAlign: "left", padding: "9px 6px", cursor: "pointer" }}
              className="line-button"
            >
              <Box as="span" fontWeight="600" display="block">
                {demo.name}
              </Box>
              <Box as="span" fontSize="13px" color="var(--faint)">
                {demo.note}
              </Box>
            </button>
          </Box>
        ))}
      </ul>
    </Dialog>
  );
}
