/** A contact that opens or closes at a millisecond. */
interface ContactChange {
  contact: string;
  closed: boolean;
}

/** How contacts bounce: for how long at most, and by which random numbers. */
export interface Bounce {
  mostMs: number;
  random: () => number;
}

/**
 * What contacts do and when. With bounce, a contact flips at random for a few milliseconds before it rests;
 * a newer order for the same contact cancels what an older one would do from then on.
 */
export class ContactSchedule {
  private readonly due = new Map<number, ContactChange[]>();

  constructor(private readonly bounce: Bounce | null) {}

  /** From `atMs` on the contact is closed or open, after its bounce. */
  order(contact: string, closed: boolean, atMs: number): void {
    this.cancel(contact, atMs);
    this.put(atMs, { contact, closed });
    if (!this.bounce) return;
    const lasting = Math.floor(this.bounce.random() * (this.bounce.mostMs + 1));
    for (let ms = 1; ms < lasting; ms++) this.put(atMs + ms, { contact, closed: this.bounce.random() < 0.5 });
    if (lasting > 0) this.put(atMs + lasting, { contact, closed });
  }

  /** A change among others that it does not cancel: an encoder's next state. */
  step(contact: string, closed: boolean, atMs: number): void {
    this.put(atMs, { contact, closed });
    if (!this.bounce || this.bounce.random() < 0.5) return;
    this.put(atMs + 1, { contact, closed: !closed });
    this.put(atMs + 2, { contact, closed });
  }

  private put(atMs: number, change: ContactChange) {
    const list = this.due.get(atMs);
    if (list) list.push(change);
    else this.due.set(atMs, [change]);
  }

  private cancel(contact: string, fromMs: number) {
    for (const [atMs, changes] of this.due) {
      if (atMs < fromMs || !changes.some((change) => change.contact === contact)) continue;
      this.due.set(
        atMs,
        changes.filter((change) => change.contact !== contact),
      );
    }
  }

  /** Takes out what happens at this millisecond, in the order it was asked for. */
  take(atMs: number): ContactChange[] {
    const list = this.due.get(atMs);
    if (!list) return [];
    this.due.delete(atMs);
    return list;
  }
}
