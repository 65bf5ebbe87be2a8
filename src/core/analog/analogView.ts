import type { LadderCircuit } from "../circuits/ladder";
import { ladderMargin, rungLevels, rungRange, rungTold } from "../circuits/ladderVoltage";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type SeriesName } from "../electrics/eSeries";
import { converterOf } from "../catalogue/controllers/converter";
import {
  type LadderChoice,
  type LadderYield,
  type TwoAtOnce,
  bestLadder,
  ladderYield,
  mostKeys,
  neededMargin,
  twoAtOnce,
  valuesAround,
} from "./ladderDesign";
import { type RestScatter, restScatter, scaling } from "./rest";
import { bankSettleUs } from "./ladderSettling";
import { cornerHz, mostSourceOhm, sampleErrorCounts, switchOhm, trackSourceOhm } from "./sampling";
import { type Travel, travelOf } from "./travel";

export interface BankView {
  keys: number;
  rungOhms: number[];
  /** From the supply while it is powered, in mA. */
  ma: number;
  /** Of each key from the bottom: its level, how far it may be off, as parts of the supply. */
  levels: { label: string; level: number; least: number; most: number }[];
  margin: number;
  two: TwoAtOnce;
  /** Time until the line has settled after the bank is powered, in µs. */
  settleUs: number;
}

export interface LadderView {
  circuitId: string;
  name: string;
  tolerance: number;
  neededMargin: number;
  /** Keys of equal resistors that a bank would hold. */
  mostKeys: number;
  banks: BankView[];
}

export interface WiperView {
  elementId: string;
  controlId: string;
  label: string;
  sourceOhm: number;
  /** What it may have, and how far off a reading is from the one before, in counts. */
  mostOhm: number;
  errorCounts: number;
  /** With 100 nF at the pin. */
  cornerHz: number;
  travel: Travel | null;
}

export interface StickView {
  controlId: string;
  label: string;
  rest: RestScatter | null;
  /** To eight bits, as a game pad tells it. */
  scaled: { steps: number; unreachable: number; together: number };
}

/** All that the screens tell of a design's voltages that are read: values only. */
export interface AnalogView {
  bits: number;
  ladders: LadderView[];
  wipers: WiperView[];
  sticks: StickView[];
}

const FILTER_F = 100e-9;

function ladderViews(design: Design, { builtCircuits, elements, profile }: Derived, bits: number): LadderView[] {
  return design.circuits.flatMap((circuit, nth): LadderView[] => {
    const { ladders } = builtCircuits[nth];
    if (circuit.kind !== "ladder" || ladders.length === 0) return [];
    const { tolerance, ripple, pullDownOhm, resistorOhm } = circuit;
    const needed = neededMargin(bits);
    const banks = ladders.map((bank): BankView => {
      const levels = rungLevels(bank);
      const whole = bank.rungOhms.reduce((a, b) => a + b, 0);
      return {
        keys: bank.rungs.length,
        rungOhms: bank.rungOhms,
        ma: (1000 * (profile?.logicV ?? 0)) / whole,
        levels: bank.rungs.map((id, rung) => ({
          label: elements.get(id)?.label ?? id,
          level: levels[rung],
          ...rungRange(bank, rung, tolerance),
        })),
        margin: ladderMargin(bank, tolerance, ripple),
        two: twoAtOnce(bank, (level) => rungTold(bank, level)),
        settleUs: bankSettleUs(bank, bits),
      };
    });
    const most = mostKeys({ tolerance, ripple, pullDownOhm }, resistorOhm, needed);
    return [{ circuitId: circuit.id, name: circuit.name, tolerance, neededMargin: needed, mostKeys: most, banks }];
  });
}

function wiperViews(design: Design, { builtCircuits, elements, controls, profile }: Derived): WiperView[] {
  if (!profile) return [];
  const converter = converterOf(profile);
  return design.circuits.flatMap((circuit, nth) => {
    const through = circuit.kind === "multiplexer" ? switchOhm(profile.logicV) : 0;
    return builtCircuits[nth].nets.flatMap(({ id, role }): WiperView[] => {
      const element = role === "analog" ? elements.get(id) : undefined;
      if (!element?.trackOhm) return [];
      const sourceOhm = trackSourceOhm(element.trackOhm) + through;
      const control = controls.get(element.controlId);
      const lever = control?.kind === "pot" && control.motion === "turn" ? control.lever : undefined;
      return [
        {
          elementId: id,
          controlId: element.controlId,
          label: element.label,
          sourceOhm,
          mostOhm: mostSourceOhm(converter),
          errorCounts: sampleErrorCounts(converter, sourceOhm),
          cornerHz: cornerHz(sourceOhm, FILTER_F),
          travel:
            control?.kind === "pot" && lever
              ? travelOf(control.travel, lever.degrees, lever.ratio, converter.bits)
              : null,
        },
      ];
    });
  });
}

/** Sticks use most of their track (common practice). */
const STICK_USES = 0.9;

export function analogView(design: Design): AnalogView {
  const derived = derive(design);
  const bits = derived.profile ? converterOf(derived.profile).bits : 10;
  return {
    bits,
    ladders: ladderViews(design, derived, bits),
    wipers: wiperViews(design, derived),
    sticks: design.controls.flatMap((control): StickView[] =>
      control.kind === "stick"
        ? [
            {
              controlId: control.id,
              label: control.label,
              rest: restScatter(control.rests ?? []),
              scaled: scaling(STICK_USES * 2 ** bits, 8),
            },
          ]
        : [],
    ),
  };
}

const ladderOf = (design: Design, circuitId: string): LadderCircuit | undefined =>
  design.circuits.find((circuit): circuit is LadderCircuit => circuit.id === circuitId && circuit.kind === "ladder");

/** Ladders of a circuit built by chance, the first bank standing for all: it has the most keys. */
export function yieldOfLadder(design: Design, circuitId: string, seed: number, samples: number): LadderYield | null {
  const circuit = ladderOf(design, circuitId);
  const { profile, builtCircuits } = derive(design);
  const bank = circuit && builtCircuits[design.circuits.indexOf(circuit)].ladders[0];
  if (!circuit || !bank || !profile) return null;
  return ladderYield(bank, circuit.tolerance, circuit.ripple, neededMargin(converterOf(profile).bits), seed, samples);
}

/** Resistors of a series for a circuit's first bank whose least margin is largest, beside that of equal ones. */
export function bestOfLadder(
  design: Design,
  circuitId: string,
  series: SeriesName,
  seed: number,
): (LadderChoice & { equalMargin: number }) | null {
  const circuit = ladderOf(design, circuitId);
  const bank = circuit && derive(design).builtCircuits[design.circuits.indexOf(circuit)].ladders[0];
  if (!circuit || !bank) return null;
  const { pullDownOhm, tolerance, ripple, resistorOhm } = circuit;
  const spec = { keys: bank.rungs.length, pullDownOhm, tolerance, ripple };
  const equal = { ...bank, rungOhms: bank.rungs.map(() => resistorOhm) };
  return {
    ...bestLadder(spec, valuesAround(series, resistorOhm), seed),
    equalMargin: ladderMargin(equal, tolerance, ripple),
  };
}
