import { createSystem, defineConfig } from "@chakra-ui/react";
import { styleProps } from "./styleProps";
import { recipes, slotRecipes } from "./recipes";

/** The library's style properties, with the bench's fonts and looks; its materials are the CSS variables of globals.css. */
const config = defineConfig({
  preflight: true,
  cssVarsPrefix: "chakra",
  cssVarsRoot: ":where(html, .chakra-theme)",
  globalCss: {
    "*": {
      "--global-font-mono": "fonts.mono",
      "--global-font-body": "fonts.body",
      "--global-color-border": "var(--edge)",
    },
    "html, body": {
      background: "var(--paper)",
      color: "var(--ink)",
      fontFamily: "body",
      fontSize: "14px",
      lineHeight: 1.4,
    },
    "*::placeholder": { color: "var(--faint)" },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
        heading: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
        mono: { value: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace" },
      },
      radii: { full: { value: "9999px" } },
    },
    recipes,
    slotRecipes,
  },
});

export const system = createSystem(styleProps, config);
