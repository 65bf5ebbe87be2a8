import { type SegmentShow, segmentShowSchema } from "@/core/document/segmentShows";
import type { Design } from "@/core/document/schema";

/** "dark", "text HEAt", "value E from -50 to 300 point 1", "value 2 from 0 to 255" (what the computer tells). */
function readShow(design: Design, text: string): SegmentShow {
  const [, shows, what = ""] = /^(\w+) ?(.*)$/.exec(text.trim())!;
  if (shows === "text") return segmentShowSchema.parse({ shows, text: what });
  if (shows !== "value") return segmentShowSchema.parse({ shows });
  const [, of, low, high, point = "0"] = /^(\w+) from (-?\d+) to (-?\d+)(?: point (\d))?$/.exec(what)!;
  const isPot = design.controls.some(({ id, kind }) => id === of && kind === "pot");
  const elementId = /^\d$/.test(of) ? `computer:${Number(of) - 1}` : `${of}:${isPot ? "wiper" : "turn"}`;
  return segmentShowSchema.parse({ shows, elementId, low: Number(low), high: Number(high), point: Number(point) });
}

export function withShow(design: Design, layerId: string, display: string, what: string): Design {
  const layers = design.keymap.layers.map((layer) =>
    layer.id === layerId ? { ...layer, segments: { ...layer.segments, [display]: readShow(design, what) } } : layer,
  );
  return { ...design, keymap: { ...design.keymap, layers } };
}

/** "start 0c 01, 0a 03": what drivers are told; nothing where nothing is said, so that examples are short. */
export function withStart(design: Design, lines: string[]): Design {
  const said = lines.find((line) => line.startsWith("start "))?.slice("start ".length);
  const start = (said?.split(",") ?? []).map((pair) => {
    const [register, value] = pair
      .trim()
      .split(" ")
      .map((hex) => parseInt(hex, 16));
    return { register, value };
  });
  const circuits = design.circuits.map((circuit) =>
    circuit.kind === "segment-chain" ? { ...circuit, start } : circuit,
  );
  return { ...design, circuits };
}
