import { type ReportName, REPORTS } from "../contract/contract";
import type { EndpointPlan } from "../hid/endpointPlan";

interface Held {
  kind: ReportName;
  bytes: Uint8Array;
}

/** The endpoints of a host that asks once a millisecond, or is busy: each holds one report until it is asked for. */
export class HostEndpoints {
  private readonly held = new Map<number, Held>();
  private readonly takenAtMs = new Map<number, number>();
  private isBusy = false;

  constructor(
    private readonly plan: EndpointPlan,
    private readonly deliver: (kind: ReportName, bytes: Uint8Array) => void,
  ) {}

  private of(kind: ReportName): number {
    return this.plan.findIndex((group) => group.includes(kind));
  }

  /** @returns whether there was room for the report; of those that share an endpoint there is for one a millisecond */
  take(kind: ReportName, bytes: Uint8Array, nowMs: number): boolean {
    const endpoint = this.of(kind);
    if (this.isBusy ? this.held.has(endpoint) : this.takenAtMs.get(endpoint) === nowMs) return false;
    if (this.isBusy) this.held.set(endpoint, { kind, bytes });
    else {
      this.takenAtMs.set(endpoint, nowMs);
      this.deliver(kind, bytes);
    }
    return true;
  }

  /** The host asks for nothing, or asks again and first gets what waits. */
  setBusy(isBusy: boolean): void {
    this.isBusy = isBusy;
    if (isBusy) return;
    const waiting = [...this.held.values()].sort((a, b) => REPORTS[a.kind].number - REPORTS[b.kind].number);
    this.held.clear();
    for (const { kind, bytes } of waiting) this.deliver(kind, bytes);
  }

  /** After a bus reset nothing waits. */
  forget(): void {
    this.held.clear();
  }

  powerCut(): void {
    this.held.clear();
    this.isBusy = false;
  }
}
