"use client";

import { ChakraProvider } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { NoticeBoard } from "../pieces/notices";
import { StyleSheets } from "./StyleSheets";
import { system } from "./system";

/** Everything on screen stands in here: theme and notices. */
export function Materials({ children }: { children: ReactNode }) {
  return (
    <StyleSheets>
      <ChakraProvider value={system}>
        {children}
        <NoticeBoard />
      </ChakraProvider>
    </StyleSheets>
  );
}
