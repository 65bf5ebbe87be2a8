"use client";

import { Combobox, createListCollection } from "@chakra-ui/react";
import { type KeyboardEvent, type ReactNode, useMemo, useState } from "react";

interface FinderProps<T> {
  /** What is looked for: the name of the field and of its list. */
  label: string;
  placeholder: string;
  /** Whether the label is shown above the field. */
  labelled?: boolean;
  /** The list is open from the start, and shows something for an empty field. */
  open?: boolean;
  find: (query: string) => T[];
  keyOf: (one: T) => string;
  titleOf: (one: T) => string;
  row: (one: T) => ReactNode;
  nothing: (query: string) => string;
  onChoose: (one: T) => void;
  onClose?: () => void;
  maxHeight: string;
}

/** A field that finds things as one types: arrows go through them, Enter takes the one in hand. */
export function Finder<T>(props: FinderProps<T>) {
  const { label, find, keyOf, titleOf, onChoose, onClose, open = false } = props;
  const [query, setQuery] = useState("");
  const hits = useMemo(() => (query.trim() === "" && !open ? [] : find(query)), [query, find, open]);
  const collection = useMemo(
    () => createListCollection({ items: hits, itemToValue: keyOf, itemToString: titleOf }),
    [hits, keyOf, titleOf],
  );
  const [inHand, setInHand] = useState<string | null>(null);
  const search = (words: string) => {
    setQuery(words);
    setInHand(null);
  };
  const take = (value: string | null | undefined) => {
    const hit = hits.find((one) => keyOf(one) === value) ?? (value === null ? hits[0] : undefined);
    if (!hit) return;
    search("");
    onChoose(hit);
  };
  // Someone who types fast presses Enter before the list has put its first line in hand: then the first is meant.
  const onEnter = (event: KeyboardEvent) => {
    if (event.key !== "Enter" || event.nativeEvent.isComposing || hits.length === 0) return;
    event.preventDefault();
    event.stopPropagation();
    take(inHand);
  };
  return (
    <Combobox.Root
      unstyled
      collection={collection}
      value={[]}
      inputValue={query}
      onInputValueChange={({ inputValue, reason }) => reason === "input-change" && search(inputValue)}
      onValueChange={({ value }) => take(value[0])}
      onHighlightChange={({ highlightedValue }) => setInHand(highlightedValue)}
      inputBehavior="autohighlight"
      selectionBehavior="clear"
      openOnChange
      open={open || query.trim() !== ""}
      onOpenChange={({ open: stays }) => {
        if (stays) return;
        if (query !== "") search("");
        else onClose?.();
      }}
      closeOnSelect={false}
    >
      <Combobox.Label
        {...(props.labelled ? { fontSize: "13px", fontWeight: "500", color: "var(--faint)" } : { srOnly: true })}
      >
        {label}
      </Combobox.Label>
      <Combobox.Input
        onKeyDownCapture={onEnter}
        autoFocus={open}
        placeholder={props.placeholder}
        width="100%"
        height={open ? "36px" : "30px"}
        borderRadius="3px"
        border="1px solid var(--edge)"
        paddingInline="8px"
        bg="var(--sheet)"
      />
      <Combobox.Content
        maxHeight={props.maxHeight}
        overflowY="auto"
        marginTop={open ? "8px" : "0"}
        border={open ? "none" : "1px solid var(--edge)"}
        borderTop="none"
        bg="var(--sheet)"
      >
        {hits.map((hit) => (
          <Combobox.Item
            key={keyOf(hit)}
            item={hit}
            padding={open ? "5px 8px" : "3px 8px"}
            borderRadius="2px"
            cursor="pointer"
            _highlighted={{ bg: "var(--saffron)", color: "var(--saffron-ink)" }}
          >
            {props.row(hit)}
          </Combobox.Item>
        ))}
        {hits.length === 0 && <div style={{ padding: "6px 8px" }}>{props.nothing(query)}</div>}
      </Combobox.Content>
    </Combobox.Root>
  );
}
