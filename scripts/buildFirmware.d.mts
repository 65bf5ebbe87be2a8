export function sourceDigest(): string;
export function compileWasm(): Buffer;
