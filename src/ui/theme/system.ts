import { createSystem, defineConfig } from "@chakra-ui/react";
import { defaultBaseConfig } from "@chakra-ui/react/preset-base";
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  dialogSlotRecipe,
  fieldSlotRecipe,
  globalCss,
  inputRecipe,
  kbdRecipe,
  keyframes,
  layerStyles,
  nativeSelectSlotRecipe,
  semanticTokens,
  tableSlotRecipe,
  textStyles,
  textareaRecipe,
  toastSlotRecipe,
  tokens,
} from "@chakra-ui/react/theme";

/** The bench's materials as CSS variables (globals.css) under names that components use. */
const colour = (name: string) => ({ value: `var(--${name})` });

/** The library's theme with the recipes of the components in use only; all of them would be half of a page's script. */
const basis = defineConfig({
  preflight: true,
  cssVarsPrefix: "chakra",
  cssVarsRoot: ":where(html, .chakra-theme)",
  globalCss,
  theme: {
    breakpoints,
    keyframes,
    tokens,
    semanticTokens,
    textStyles,
    layerStyles,
    animationStyles,
    recipes: { button: buttonRecipe, input: inputRecipe, kbd: kbdRecipe, textarea: textareaRecipe },
    slotRecipes: {
      dialog: dialogSlotRecipe,
      field: fieldSlotRecipe,
      nativeSelect: nativeSelectSlotRecipe,
      table: tableSlotRecipe,
      toast: toastSlotRecipe,
    },
  },
});

const config = defineConfig({
  globalCss: {
    "html, body": {
      background: "var(--paper)",
      color: "var(--ink)",
      fontFamily: "body",
      fontSize: "14px",
      lineHeight: 1.4,
    },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
        heading: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
        mono: { value: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace" },
      },
    },
    semanticTokens: {
      colors: {
        paper: colour("paper"),
        sheet: colour("sheet"),
        ink: colour("ink"),
        faint: colour("faint"),
        edge: colour("edge"),
        mat: colour("mat"),
        saffron: colour("saffron"),
        stop: colour("stop"),
        warn: colour("warn"),
        settled: colour("settled"),
        bg: { DEFAULT: colour("paper"), panel: colour("sheet"), subtle: colour("paper"), muted: colour("paper") },
        fg: { DEFAULT: colour("ink"), muted: colour("faint"), subtle: colour("faint") },
        border: { DEFAULT: colour("edge"), emphasized: colour("edge") },
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, basis, config);
