"use client";

import { useState } from "react";

/** The design's name, changed in place. */
export function PlainName({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [draft, setDraft] = useState<string | null>(null);
  const commit = () => {
    const wanted = draft?.trim();
    if (wanted && wanted !== name) onName(wanted.slice(0, 80));
    setDraft(null);
  };
  return (
    <input
      aria-label="Name of the design"
      value={draft ?? name}
      maxLength={80}
      size={Math.max(8, (draft ?? name).length)}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Escape") setDraft(null);
      }}
      style={{
        background: "transparent",
        color: "inherit",
        border: "none",
        borderBottom: "1px dotted currentColor",
        fontSize: 15,
        fontWeight: 500,
        padding: "2px 4px",
      }}
    />
  );
}
