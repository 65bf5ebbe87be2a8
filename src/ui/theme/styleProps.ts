import { defineConfig } from "@chakra-ui/react";

/** Hidden from the eye, still there for those who hear the page. */
const HEARD_ONLY = {
  position: "absolute",
  width: "1px",
  height: "1px",
  padding: "0",
  margin: "-1px",
  overflow: "hidden",
  clip: "rect(0, 0, 0, 0)",
  whiteSpace: "nowrap",
  borderWidth: "0",
};

/**
 * The style properties that are not plain CSS: states of a component, the short name of the background, fonts by name,
 * words for the ear only. The library's own set comes as one piece of which most would stay unused.
 */
export const styleProps = defineConfig({
  conditions: {
    hover: ["@media (hover: hover)", "&:is(:hover, [data-hover]):not(:disabled, [data-disabled])"],
    disabled: "&:is(:disabled, [disabled], [data-disabled], [aria-disabled=true])",
    invalid: "&:is([data-invalid], [aria-invalid=true], [data-state=invalid])",
    highlighted: "&[data-highlighted]",
    last: "&:last-of-type",
    icon: "& :where(svg)",
  },
  utilities: {
    background: { shorthand: ["bg"] },
    fontFamily: { values: "fonts" },
    borderRadius: { values: "radii" },
    lineClamp: {
      transform: (lines) => ({
        overflow: "hidden",
        display: "-webkit-box",
        WebkitLineClamp: lines,
        WebkitBoxOrient: "vertical",
        textWrap: "wrap",
      }),
    },
    srOnly: { values: { type: "boolean" }, transform: (hidden) => (hidden ? HEARD_ONLY : {}) },
  },
});
