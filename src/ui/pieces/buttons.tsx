"use client";

import {
  Button,
  type ButtonProps,
  IconButton as LibraryIconButton,
  type IconButtonProps as LibraryIconButtonProps,
} from "@chakra-ui/react";

const shape = {
  borderRadius: "3px",
  fontWeight: 500,
  fontSize: "14px",
  height: "30px",
  minWidth: "30px",
  paddingInline: "10px",
} as const;

/** An action among others. */
export function PlainButton(props: ButtonProps) {
  return (
    <Button
      {...shape}
      bg="var(--sheet)"
      color="var(--ink)"
      border="1px solid var(--edge)"
      _hover={{ bg: "var(--paper)", borderColor: "var(--faint)" }}
      {...props}
    />
  );
}

/** The next step; at most one at a time in a place. */
export function StepButton(props: ButtonProps) {
  return (
    <Button
      {...shape}
      bg="var(--saffron)"
      color="var(--saffron-ink)"
      border="1px solid transparent"
      _hover={{ filter: "brightness(1.06)" }}
      {...props}
    />
  );
}

/** An action shown by a sign; `aria-label` says it in words and is also shown on hovering. */
export function IconButton(props: LibraryIconButtonProps & { "aria-label": string }) {
  return (
    <LibraryIconButton
      {...shape}
      width="30px"
      paddingInline="0"
      title={props["aria-label"]}
      bg="transparent"
      color="inherit"
      border="1px solid transparent"
      _hover={{ bg: "color-mix(in srgb, currentColor 12%, transparent)" }}
      {...props}
    />
  );
}
