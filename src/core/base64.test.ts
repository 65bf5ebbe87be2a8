import { describe, expect, it } from "vitest";
import { base64 } from "./base64";

describe("base64", () => {
  it.each([
    ["", ""],
    ["f", "Zg=="],
    ["fo", "Zm8="],
    ["foo", "Zm9v"],
    ["foob", "Zm9vYg=="],
    ["fooba", "Zm9vYmE="],
    ["foobar", "Zm9vYmFy"],
  ])("writes %j as RFC 4648, section 10, does", (plain, coded) =>
    expect(base64(Uint8Array.from(plain, (sign) => sign.charCodeAt(0)))).toBe(coded),
  );

  it("writes every byte as the platform's own encoder does", () => {
    const all = Uint8Array.from({ length: 256 }, (_, byte) => byte);
    expect(base64(all)).toBe(Buffer.from(all).toString("base64"));
  });
});
