import { beforeEach, describe, expect, it, vi } from "vitest";
import { finishedPad } from "../../tests/support/designs";
import type { MatrixAnswer } from "@/core/matrix/planMatrix";
import { usualMatrixWish } from "@/core/matrix/planMatrix";

const told: ((answer: MatrixAnswer) => void)[] = [];
vi.mock("@/workers/planning", () => ({
  startSearch: () => ({
    tasks: { searchMatrix: () => new Promise(() => {}) },
    tell: (hear: (answer: MatrixAnswer) => void) => told.push(hear),
    stop: () => {},
  }),
}));
vi.mock("./bench", () => ({ currentDesign: () => finishedPad() }));

const { forgetSearch, startMatrixSearch, stopSearch, useMatrixSearch } = await import("./matrixSearch");
const answer = { circuitId: "matrix" } as MatrixAnswer;
const answers = () => useMatrixSearch.getState().answers.length;

describe("a search for short wiring", () => {
  beforeEach(async () => {
    told.length = 0;
    void startMatrixSearch(usualMatrixWish);
    await vi.waitFor(() => expect(told.length).toBeGreaterThan(0));
  });

  it("keeps what it is told while it runs", () => {
    told[0](answer);
    expect([answers(), useMatrixSearch.getState().isRunning]).toEqual([1, true]);
  });

  it("hears nothing more once it is stopped, and what it had stays", () => {
    told[0](answer);
    stopSearch();
    told[0]({ ...answer, circuitId: "other" });
    expect([answers(), useMatrixSearch.getState().isRunning]).toEqual([1, false]);
  });

  it("brings nothing back once it is forgotten", () => {
    forgetSearch();
    told[0](answer);
    expect(answers()).toBe(0);
  });
});
