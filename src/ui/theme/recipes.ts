import { defineRecipe, defineSlotRecipe } from "@chakra-ui/react";

// The looks of the components in use, in the bench's own materials. The library's theme comes as one piece whose unused
// parts cannot be left out, and would be a tenth of a page's script.

const disabled = { opacity: 0.5, cursor: "not-allowed" } as const;

const field = {
  width: "100%",
  minWidth: "0",
  appearance: "none",
  textAlign: "start",
  borderRadius: "3px",
  borderWidth: "1px",
  borderColor: "var(--edge)",
  fontSize: "14px",
  bg: "transparent",
  _disabled: disabled,
  _invalid: { borderColor: "var(--stop)" },
} as const;

const button = defineRecipe({
  base: {
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    gap: "6px",
    height: "30px",
    minWidth: "30px",
    paddingInline: "10px",
    userSelect: "none",
    position: "relative",
    borderRadius: "3px",
    whiteSpace: "nowrap",
    verticalAlign: "middle",
    borderWidth: "1px",
    borderColor: "transparent",
    cursor: "pointer",
    flexShrink: "0",
    lineHeight: "1.2",
    fontSize: "14px",
    fontWeight: 500,
    transition: "background-color 150ms, border-color 150ms, filter 150ms",
    _disabled: disabled,
    _icon: { flexShrink: "0" },
  },
});

const input = defineRecipe({ base: { ...field, height: "36px", paddingInline: "10px" } });
const textarea = defineRecipe({ base: { ...field, padding: "8px 10px", lineHeight: 1.4 } });

const kbd = defineRecipe({
  base: {
    display: "inline-flex",
    alignItems: "center",
    fontFamily: "mono",
    fontSize: "13px",
    fontWeight: 500,
    whiteSpace: "nowrap",
    paddingInline: "5px",
    borderRadius: "3px",
    border: "1px solid var(--edge)",
    borderBottomWidth: "2px",
    bg: "var(--paper)",
  },
});

const dialog = defineSlotRecipe({
  slots: [
    "trigger",
    "backdrop",
    "positioner",
    "content",
    "title",
    "description",
    "closeTrigger",
    "header",
    "body",
    "footer",
  ],
  base: {
    backdrop: { position: "fixed", inset: 0, zIndex: "calc(1500 + var(--layer-index, 0) - 1)" },
    positioner: {
      display: "flex",
      alignItems: "flex-start",
      justifyContent: "center",
      width: "100dvw",
      height: "100dvh",
      position: "fixed",
      left: 0,
      top: 0,
      zIndex: "calc(1500 + var(--layer-index, 0))",
      overflow: "auto",
      overscrollBehaviorY: "none",
    },
    content: {
      display: "flex",
      flexDirection: "column",
      position: "relative",
      width: "100%",
      outline: 0,
      fontSize: "14px",
      marginBlock: "64px",
      marginInline: "auto",
      boxShadow: "0 10px 30px var(--shadow)",
    },
    header: { display: "flex", gap: "8px", flex: 0 },
    body: { flex: "1" },
    footer: { display: "flex", alignItems: "center", justifyContent: "flex-end", gap: "12px" },
    title: { fontWeight: 600 },
  },
});

const table = defineSlotRecipe({
  slots: ["root", "header", "body", "row", "columnHeader", "cell", "footer", "caption"],
  base: {
    root: {
      fontVariantNumeric: "lining-nums tabular-nums",
      borderCollapse: "collapse",
      width: "100%",
      textAlign: "start",
      verticalAlign: "top",
      fontSize: "14px",
    },
    columnHeader: { fontWeight: 500, textAlign: "start", borderBottomWidth: "1px" },
    cell: { textAlign: "start", borderBottomWidth: "1px" },
  },
  variants: {
    stickyHeader: { true: { header: { "& :where(tr)": { top: 0, position: "sticky", zIndex: 1 } } } },
  },
});

const toast = defineSlotRecipe({
  slots: ["root", "title", "description", "indicator", "closeTrigger", "actionTrigger"],
  base: {
    root: {
      display: "flex",
      alignItems: "flex-start",
      position: "relative",
      gap: "12px",
      paddingInlineEnd: "28px",
      // The library moves and stacks notices through these.
      translate: "var(--x) var(--y)",
      scale: "var(--scale)",
      zIndex: "var(--z-index)",
      height: "var(--height)",
      opacity: "var(--opacity)",
      willChange: "translate, opacity, scale",
      transition: "translate 300ms, scale 300ms, opacity 300ms, height 300ms",
      boxShadow: "0 6px 20px var(--shadow)",
    },
    closeTrigger: {
      position: "absolute",
      top: "4px",
      insetInlineEnd: "4px",
      padding: "4px",
      display: "inline-flex",
      alignItems: "center",
      justifyContent: "center",
      opacity: 0.7,
      _hover: { opacity: 1 },
      _icon: { width: "16px", height: "16px" },
    },
  },
});

export const recipes = { button, input, kbd, textarea };
export const slotRecipes = { dialog, table, toast };
