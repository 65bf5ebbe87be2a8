import type { Usb8Image } from "../src/core/image/usb8Images";

export function sourceDigest(sources?: string[], how?: string): string;
export function imageDigest(): string;
export function compilerVersion(): string;
export function firstLine(program: string): string;
export function usb8Processor(): string;
export function compileWasm(): Buffer;
export function compileUsb8(image: Usb8Image): { id: string; bytes: Buffer; variables: number };
export function contractHeader(): Promise<string>;
export function pythonContract(header: string): string;
export function usb8FeatureBytes(): Record<string, number>;
