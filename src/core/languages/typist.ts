import { type HostLanguage, deadKeyOf, deedOf } from "./hostLanguage";

/** What a computer makes of keys that go down one after another: characters, and dead keys that wait for the next. */
export class Typist {
  private dead: string | null = null;

  constructor(readonly language: HostLanguage) {}

  /** The accent that waits. */
  get waits(): string | null {
    return this.dead;
  }

  /**
   * @returns what is typed now, "" when nothing is (a dead key waits, or an accent met what it does not go with: both are
   * dropped, as X11 does); null for a key that types nothing under this language.
   */
  press(usage: number, modifiers: number, capsLock = false): string | null {
    const deed = deedOf(this.language, usage, modifiers, capsLock);
    if (deed === undefined) return null;
    if (this.dead !== null) {
      const made = this.language.deadKeys[this.dead]?.[deed] ?? "";
      this.dead = null;
      return made;
    }
    this.dead = deadKeyOf(deed);
    return this.dead === null ? deed : "";
  }
}
