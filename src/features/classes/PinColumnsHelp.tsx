import { pinColumns } from "@/core/formats/pinTable";

/** The header row of a pin table, explained. */
export function PinColumnsHelp() {
  return (
    <details style={{ flexBasis: "100%" }}>
      <summary>What the columns of a pin table mean</summary>
      <dl style={{ display: "grid", gridTemplateColumns: "auto 1fr", columnGap: 12 }}>
        {pinColumns.map(([column, meaning]) => (
          <div key={column} style={{ display: "contents" }}>
            <dt style={{ fontWeight: 600 }}>{column}</dt>
            <dd>{meaning}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
