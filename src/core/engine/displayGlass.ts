import type { DisplayScan } from "../firmware/scanTable";
import { dotPath } from "../keymap/dotPath";

/**
 * What a display shows, by the frames that its class is told: dots begin where the last frame that placed them says. Before the first of them its dots
 * are any how, here dark.
 */
export class DisplayGlass {
  /** Rows of eight dots, a byte a column. */
  private readonly bytes: Uint8Array;
  private row = 0;
  private column = 0;

  constructor(readonly display: DisplayScan) {
    this.bytes = new Uint8Array(display.columns * display.rows);
  }

  /** Where a frame of that length and those fixed bytes places what follows; null where it is none of those. */
  private placeOf(frame: Uint8Array): { row: number; column: number } | null {
    const { place, firstColumn } = this.display.told;
    if (frame.length !== place.length) return null;
    let [row, column] = [0, 0];
    for (const [nth, { byte, adds }] of place.entries()) {
      const added = (frame[nth] - byte + 256) % 256;
      if (adds === "nothing" && added !== 0) return null;
      if (adds === "row") row = added;
      if (adds === "column") column = added;
      if (adds === "low") column |= added & 0x0f;
      if (adds === "high") column |= (added & 0x0f) << 4;
    }
    return { row, column: (column - firstColumn + 256) % 256 };
  }

  take(frame: Uint8Array): void {
    const { columns, rows, told } = this.display;
    if (frame[0] !== told.before) {
      const place = this.placeOf(frame);
      if (place) Object.assign(this, place);
      return;
    }
    for (const byte of frame.subarray(1)) {
      if (this.row < rows && this.column < columns) this.bytes[this.row * columns + this.column] = byte;
      this.column++;
    }
  }

  /** Whether a dot is lit. */
  isLit(x: number, y: number): boolean {
    return ((this.bytes[Math.floor(y / 8) * this.display.columns + x] >> (y % 8)) & 1) === 1;
  }

  /** Lit dots as a path, a dot a unit. */
  path(): string {
    const { columns, rows } = this.display;
    return dotPath(columns, 8 * rows, (x, y) => this.isLit(x, y));
  }

  /** Rows of dots as text: "#" lit, "." dark. */
  rows(): string[] {
    const { columns, rows } = this.display;
    return Array.from({ length: 8 * rows }, (_, y) =>
      Array.from({ length: columns }, (_, x) => (this.isLit(x, y) ? "#" : ".")).join(""),
    );
  }
}
