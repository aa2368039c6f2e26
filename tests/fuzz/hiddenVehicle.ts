import { possibleLeds } from '../../core/circuit/engine/openLed.ts';
import { underloadedRate } from '../../core/devices/flasher.ts';
import { thresholdAt } from '../../core/devices/threshold.ts';
import { JobAnalysis } from '../../core/judge/analysis.ts';
import { EQUAL_SHARE } from '../../core/judge/requirements/watcherLooks.ts';
import { looksAt } from '../../core/judge/scenario.ts';
import { variantOf } from '../../core/judge/variants.ts';
import { testVolts, workingPoints } from '../../core/judge/workingPoints.ts';
import type { TrialResult } from '../../core/model/evidence.ts';
import type { LedPart, Shelf } from '../../core/model/part.ts';
import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import type { Flasher, ThresholdLaw } from '../../core/model/vehicle/flasher.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { builtWaysOf, type Way } from '../../core/possible/ways.ts';
import type { QuickQuestion, QuickTrial } from '../../core/quick/question.ts';
import { quickJob } from '../../core/quick/quickJob.ts';
import { type Fitment, healthyStock } from '../../core/simulation/fitment.ts';
import { flowsInTime } from './flowsInTime.ts';

/** A vehicle and an LED as they truly are behind a question that does not say: what each look would show. */
export interface HiddenVehicle {
  way: Way;
  law: ThresholdLaw;
  /** what its left side shows at a supply */
  shows(emfVolts: number): TrialResult;
  /** whether it flashes as it should at every working point */
  holds: boolean;
}

const LAWS: readonly ThresholdLaw[] = ['fixed', 'proportional', 'filament'];

/** Draws one of the vehicles a question may be about, and runs it: its own threshold, its own LED, its own bulbs. */
export function hiddenVehicle(question: QuickQuestion, shelf: Shelf, random: () => number): HiddenVehicle {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  const asked = quickJob({ ...question, trials: [] }, shelf, 'hidden', '2026-11-26T10:00:00.000Z');
  const way = pick(builtWaysOf(asked.job, asked.shelf));
  const part = asked.shelf.find((each): each is LedPart => each.kind === 'led' && each.open !== undefined);
  const mine = part ? between(pick(possibleLeds(part)), part, random) : null;
  const known = way.shelf.map((each) => (mine && each.id === mine.id ? mine : each));
  const analysis = new JobAnalysis({ ...way.job, evidence: [] }, known);
  const possibility = pick(analysis.possibilities);
  const turns = variantOf(possibility, known, 'leds').fitted[0];
  const circuit = turnCircuits(possibility.job.vehicle)[0] as TurnCircuit;
  if (!turns) throw new Error('nothing is fitted');
  const { flasher } = turns.fitment;
  const law = pick(LAWS);
  const { vehicle } = possibility.job;
  const lookSeconds = pick(looksAt(vehicle, flasher, circuit));
  const points = workingPoints(asked.systemVolts).map((point) => point.volts);
  const reference = testVolts(asked.systemVolts);
  const follows = (volts: number) => thresholdAt({ amps: 1, atVolts: reference, law }, volts);
  const stock = healthyStock(possibility.job);
  const flows = (emfVolts: number, fitment: Fitment, without?: string) =>
    flowsInTime({ vehicle, fitment, circuit, emfVolts, lookSeconds, ...(without ? { without } : {}) });
  // A healthy vehicle: at every supply it meets its threshold lies between what one dead lamp leaves and what all draw.
  const mains = lampIdsOf(circuit).filter((id) => lampById(vehicle, id).role === 'main');
  const least = asksFor(flasher, circuit);
  const low = Math.max(
    ...points.map((v) => Math.max(...mains.map((id) => flows(v, stock, id))) / follows(v)),
  );
  const high = Math.min(...points.map((v) => flows(v, stock) / follows(v)));
  const threshold = low + random() * Math.max(0, high - low);
  const short = (emfVolts: number) =>
    flows(emfVolts, turns.fitment) < (least ?? threshold * follows(emfVolts)) * (1 - EQUAL_SHARE);
  const result = (): TrialResult => {
    if (flasher.kind === 'thermal') return 'slow';
    if (flasher.kind === 'controller') return pick(['fast', 'message']);
    return underloadedRate(flasher) > 0 ? 'fast' : 'dark';
  };
  const whenShort = result();
  return {
    way,
    law,
    shows: (emfVolts) => (short(emfVolts) ? whenShort : 'normal'),
    holds: !points.some(short),
  };
}

/** What a flasher asks for that says it itself, A: printed on one that does not watch, nothing on an output that does not. */
function asksFor(flasher: Flasher, circuit: TurnCircuit): number | null {
  if (flasher.kind === 'non-watching-relay') return flasher.minAmps;
  if (flasher.kind !== 'controller') return null;
  return flasher.outputs.some(({ circuitId, watch }) => circuitId === circuit.id && watch) ? null : 0;
}

/** An LED somewhere between the least and the most a part may draw, with the inside of one of its possibilities. */
function between(inside: LedPart, { open, watts }: LedPart, random: () => number): LedPart {
  const { open: _, builtInLoadOhms: __, ...rest } = inside as LedPart;
  const [least, most] = open?.watts ?? [watts, watts];
  return { ...rest, watts: least + random() * (most - least) };
}

/** A trial of a hidden vehicle with the engine off, at a supply that was not measured. */
export function trialOf(hidden: HiddenVehicle, systemVolts: number, random: () => number): QuickTrial {
  const supply = (11.8 + 0.8 * random()) * (systemVolts / 12);
  return { result: hidden.shows(supply), side: 'left', lights: false, engine: false, supplyVolts: null };
}

/** A question that says as much or as little as somebody happens to know. */
export function randomQuestion(base: QuickQuestion, random: () => number): QuickQuestion {
  const maybe = <T>(value: T): T | null => (random() < 0.5 ? value : null);
  return {
    ...base,
    bulb: maybe('P21W'),
    led: {
      kind: random() < 0.5 ? 'plain' : 'regulated',
      watts: maybe(1 + Math.round(random() * 5)),
      forVolts: null,
    },
    sides: random() < 0.7 ? 'both' : 'left',
    year: maybe(1978 + Math.floor(random() * 46)),
  };
}
