/** What the browser's Web MIDI interface gives: `navigator`, or a stand-in with its method's own name. */
export interface MusicPort {
  requestMIDIAccess(): Promise<{
    inputs: { forEach(each: (input: MusicInput) => void): void };
  }>;
}

interface MusicInput {
  onmidimessage: ((event: { data: Uint8Array | null }) => void) | null;
}

/**
 * Listens to every instrument on the computer (W3C Web MIDI); the browser asks the person first.
 * @returns how to stop; throws where the person says no, or the browser has no such interface
 */
export async function hearMusic(port: MusicPort, tell: (message: number[]) => void): Promise<() => void> {
  const { inputs } = await port.requestMIDIAccess();
  inputs.forEach((input) => (input.onmidimessage = ({ data }) => data && tell([...data])));
  return () => inputs.forEach((input) => (input.onmidimessage = null));
}
