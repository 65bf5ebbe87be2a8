"use client";

import { Menu, Portal } from "@chakra-ui/react";
import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Design } from "@/core/design/schema";
import { loadDemos } from "@/store/demos";
import { addCopy } from "@/store/shelf";
import { PlainButton } from "@/ui/pieces/buttons";

/** A fresh copy of a demo, to take apart. */
export function DemoMenu() {
  const [demos, setDemos] = useState<Design[]>([]);
  const router = useRouter();
  const take = async (id: string) => {
    const demo = demos.find((design) => design.id === id);
    const copy = demo && (await addCopy(demo));
    if (copy) router.push(`/bench/${copy}/layout`);
  };
  return (
    <Menu.Root
      onOpenChange={({ open }) => open && void loadDemos().then(setDemos)}
      onSelect={({ value }) => void take(value)}
    >
      <Menu.Trigger asChild>
        <PlainButton>From a demo</PlainButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content
            bg="var(--sheet)"
            color="var(--ink)"
            borderRadius="3px"
            border="1px solid var(--edge)"
            maxWidth="420px"
          >
            {demos.map((demo) => (
              <Menu.Item key={demo.id} value={demo.id} padding="8px 10px" _highlighted={{ bg: "var(--paper)" }}>
                <Box>
                  <Box fontWeight="600">{demo.name}</Box>
                  <Box fontSize="13px" color="var(--faint)">
                    {demo.note}
                  </Box>
                </Box>
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
