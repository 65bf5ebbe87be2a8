import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { finishedPad, pad } from "../../tests/support/designs";
import { chooseController, moveController } from "@/core/edits/pins";
import { changeControl } from "@/core/edits/controls";
import { moduleTurns } from "@/core/edits/turnModule";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import type { Design } from "@/core/document/schema";
import { type PinPlanMode, type PinPlanResult, planPins } from "@/core/pins/planPins";
import { currentDesign, edit, openOnBench, undoEdit } from "./bench";
import { openDatabase } from "./database";
import { saveDesign } from "./designRepository";
import {
  planAndAdoptPins,
  stopPinPlanning,
  changeControllerClass,
  turnForFewerCrossings,
  usePinPlanView,
} from "./pinPlanView";

interface Asked {
  design: Design;
  mode: PinPlanMode;
  answer: (plan: PinPlanResult) => void;
  stopped: boolean;
}

let asked: Asked[] = [];

vi.mock("@/workers/planning", () => ({
  startSearch: () => {
    const question: Partial<Asked> = { stopped: false };
    asked.push(question as Asked);
    return {
      tasks: {
        planPins: (design: Design, mode: PinPlanMode) =>
          new Promise((answer) => Object.assign(question, { design, mode, answer })),
        moduleTurns: async (design: Design) => moduleTurns(design),
      },
      stop: () => (question.stopped = true),
    };
  },
}));

let number = 0;

/** Lays a design on the bench, as another one each time. */
async function open(design: Design): Promise<void> {
  const own = { ...design, id: `${design.id}-${(number += 1)}` };
  await saveDesign(own, null, own.id, new Date("2026-03-04T05:06:07Z"));
  await openOnBench(own.id);
}
const questions = (count: number) => vi.waitFor(() => expect(asked.filter(({ design }) => design)).toHaveLength(count));
const answerLast = () => {
  const { design, mode, answer } = asked.at(-1)!;
  answer(planPins(design, mode));
};

const wired = () => chooseController(shareOutMatrix(pad(), "as-laid-out"), "small-5v-18");

describe("Planning pins beside the page", () => {
  beforeEach(async () => {
    await (await openDatabase()).clear("designs");
    asked = [];
    usePinPlanView.setState({ taken: null, isPlanning: false });
  });
  afterEach(stopPinPlanning);

  it("takes the plan as one edit, and says what it came to", async () => {
    await open(wired());
    const done = planAndAdoptPins("afresh");
    await questions(1);
    expect(usePinPlanView.getState().isPlanning).toBe(true);
    expect(currentDesign()!.pinPlan).toEqual({});
    answerLast();
    expect((await done)!.length).toBeGreaterThan(5);
    expect(Object.keys(currentDesign()!.pinPlan)).toEqual(expect.arrayContaining(["matrix.R1", "matrix.C3"]));
    expect(usePinPlanView.getState()).toMatchObject({ isPlanning: false, taken: { design: currentDesign() } });
    expect(asked[0].stopped).toBe(true);
    undoEdit();
    expect(currentDesign()!.pinPlan).toEqual({});
  });

  it("plans again when the design was edited meanwhile, and keeps that edit", async () => {
    await open(wired());
    const done = planAndAdoptPins("afresh");
    await questions(1);
    edit("name a key", (design) => changeControl(design, "k1", { label: "Esc" }));
    answerLast();
    await questions(2);
    answerLast();
    await done;
    expect(currentDesign()!.controls.find(({ id }) => id === "k1")!.label).toBe("Esc");
    expect(currentDesign()!.pinPlan).toEqual(expect.objectContaining({ "matrix.R1": expect.anything() }));
  });

  it("leaves another design alone that was opened meanwhile", async () => {
    await open(wired());
    const done = planAndAdoptPins("afresh");
    await questions(1);
    await open(wired());
    const other = currentDesign();
    answerLast();
    expect(await done).toBeNull();
    expect(currentDesign()).toBe(other);
  });

  it("stops when asked, and leaves the pins", async () => {
    await open(wired());
    void planAndAdoptPins("afresh");
    await questions(1);
    stopPinPlanning();
    expect(asked[0].stopped).toBe(true);
    expect(usePinPlanView.getState().isPlanning).toBe(false);
    expect(currentDesign()!.pinPlan).toEqual({});
  });

  it("carries a plan over to another class with few moves, and only then plans at all", async () => {
    await open(wired());
    await changeControllerClass("dual-core-3v3-26");
    expect(asked).toEqual([]);
    expect(currentDesign()!.controllers[0].profileId).toBe("dual-core-3v3-26");
    await open(finishedPad());
    const done = changeControllerClass("dual-core-3v3-26");
    await questions(1);
    expect(asked[0].mode).toBe("fewest-moves");
    expect(asked[0].design.controllers[0].profileId).toBe("dual-core-3v3-26");
    answerLast();
    await done;
    expect(currentDesign()!.controllers[0].profileId).toBe("dual-core-3v3-26");
    expect(Object.keys(currentDesign()!.pinPlan)).toHaveLength(Object.keys(finishedPad().pinPlan).length);
    undoEdit();
    expect(currentDesign()!.controllers[0].profileId).toBe("small-5v-18");
  });

  it("turns the module where fewer leads cross, as one edit, and leaves it where none do", async () => {
    const away = moveController(finishedPad(), { rotationDeg: 180 });
    await open(away);
    const turns = moduleTurns(away);
    expect(await turnForFewerCrossings(turns[0].crossings)).toMatchObject({ taken: false });
    expect(currentDesign()!.controllers[0].placement.rotationDeg).toBe(180);
    expect(await turnForFewerCrossings(turns[0].crossings + 1)).toMatchObject({ taken: true });
    expect(currentDesign()!.controllers[0].placement.rotationDeg).toBe(turns[0].rotationDeg);
    undoEdit();
    expect(currentDesign()!.pinPlan).toEqual(away.pinPlan);
    expect(currentDesign()!.controllers[0].placement.rotationDeg).toBe(180);
  });
});
