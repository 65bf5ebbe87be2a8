import { describe } from "vitest";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";

/** More keys than six, modifiers, a macro and a key with two jobs, all told by bits. */
const keys = "ABCDEFGHIJ".split("").map((letter) => `key ${letter}: Key${letter}`);
const { design } = readExample(`every key
${keys.join("\n")}
key S: ShiftLeft
key T: ControlRight
key U: play M
key V: KeyV | hold 2 | tap 60
layer 2: A = KeyQ
macro M while held: tap KeyX; again 1 3 times; wait 5
at 0 press A`);

describe("a keyboard that tells every key", () => {
  sameInEveryBuild({
    design,
    told: "keyboard",
    least: 400,
    leastOverUsb: 100,
    uses: 40,
    usesOnCore: 12,
    usesOnChip: 12,
    interfaces: ["keyboard", "consumer", "live"],
  });
});
