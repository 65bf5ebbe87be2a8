export const image: string[];
export function sourceDigest(sources?: string[]): string;
export function compilerVersion(): string;
export function firstLine(program: string): string;
export function usb8Processor(): string;
export function compileWasm(): Buffer;
export function compileUsb8(): Buffer;
export function contractHeader(): Promise<string>;
