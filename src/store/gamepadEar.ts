/** What the browser's Gamepad interface gives: `navigator`, or a stand-in with its method's own name. */
export interface PadPort {
  getGamepads(): (Pick<Gamepad, "buttons" | "axes" | "connected"> | null)[];
}

export interface PadEar {
  button(index: number, isDown: boolean): void;
  axes(values: readonly number[]): void;
}

/**
 * Listens to every game pad on the computer (W3C Gamepad): browsers tell no changes, so it looks once a frame. A page hears of a pad
 * only after one of its buttons was pressed.
 * @returns how to stop
 */
export function hearPads(
  port: PadPort,
  ear: PadEar,
  nextFrame: (act: () => void) => number = requestAnimationFrame,
  forget: (frame: number) => void = cancelAnimationFrame,
): () => void {
  const down = new Map<string, boolean>();
  let told = "";
  const look = () => {
    port.getGamepads().forEach((pad, nth) => {
      if (!pad?.connected) return;
      pad.buttons.forEach(({ pressed }, index) => {
        const key = `${nth} ${index}`;
        if ((down.get(key) ?? false) === pressed) return;
        down.set(key, pressed);
        ear.button(index, pressed);
      });
      const axes = pad.axes.join(" ");
      if (axes !== told && pad.axes.length > 0) {
        told = axes;
        ear.axes(pad.axes);
      }
    });
    frame = nextFrame(look);
  };
  let frame = nextFrame(look);
  return () => forget(frame);
}
