export function sourceDigest(): string;
export function compilerVersion(): string;
export function compileWasm(): Buffer;
export function contractHeader(): Promise<string>;
