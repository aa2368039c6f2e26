import { commonPractice, fromMemory } from '../formatting/source.ts';
import type { Job } from '../model/job.ts';
import type { Source } from '../model/source.ts';
import type { VehicleKind } from '../model/vehicle/vehicle.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import type { LightSwitch } from '../vehicle/lampWork.ts';
import type { FitStep } from '../work/steps/fitStep.ts';
import { batteryAmps, voltsAt } from './energy.ts';

/** A least and a most. */
export type Range = readonly [least: number, most: number];

/** What the work itself takes out of the vehicle's battery. */
export interface BatteryBudget {
  /** lamps switched on to test, and inside lamps while doors stand open, Ah */
  tests: Range;
  doors: Range;
  total: Range;
  /** as printed, or as most of its kind have it, Ah */
  batteryAh: Range;
  /** whether somebody has read it off the battery */
  read: boolean;
  /** of that may be taken before it is unsure to start an engine, Ah */
  spare: Range;
  /** the heaviest test of this job, A, and how long the spare lasts under it, minutes */
  heaviestAmps: number;
  minutesLeft: Range;
  /** whether the work surely, maybe or never takes more than is to spare */
  state: 'enough' | 'maybe' | 'too-little';
}

/** Share of its charge a starter battery may lose and still start an engine for sure. */
const SPARE_SHARE = 1 / 3;
export const SPARE_SOURCE: Source = commonPractice(
  'a starter battery starts for sure with two thirds of its charge',
);

/** Batteries as most vehicles of a kind have them, Ah. */
const TYPICAL_AH: Record<VehicleKind, Range> = {
  car: [45, 75],
  van: [60, 95],
  minibus: [70, 110],
  coach: [140, 225],
  lorry: [140, 225],
  // It is fed by whatever tows it.
  trailer: [45, 95],
  moped: [4, 9],
  tractor: [85, 150],
};
export const TYPICAL_SOURCE: Source = fromMemory('batteries usual of a kind of vehicle');

const PANEL: Record<LightSwitch, Partial<Controls>> = {
  'turn-left': { key: 'on', turn: 'left' },
  'turn-right': { key: 'on', turn: 'right' },
  turn: { key: 'on', turn: 'left' },
  brake: { brake: true },
  lights: { lights: true },
  reverse: { key: 'on', reverse: true },
  fog: { key: 'on', lights: true, fog: true },
  'dipped-beam': { key: 'on', lights: true },
  'main-beam': { key: 'on', lights: true, mainBeam: true },
  door: { doors: true },
  lid: { lids: true },
  'lamp-switch': { lampSwitches: true },
  daytime: { key: 'on' },
  'cornering-left': { key: 'on', lights: true, turn: 'left' },
  'cornering-right': { key: 'on', lights: true, turn: 'right' },
  cornering: { key: 'on', lights: true, turn: 'left' },
  work: { work: true },
  beacon: { beacon: true },
  key: { key: 'on' },
};

function panelFor(switches: readonly LightSwitch[]): Controls {
  return Object.assign({ ...CONTROLS_OFF }, ...switches.map((each) => PANEL[each]));
}

/** The panel a step is done with; null where nothing is on. */
function panelOf({ about }: FitStep): Controls | null {
  switch (about.of) {
    case 'switch-on':
    case 'long-run':
      return panelFor(about.switches);
    case 'test':
      return panelFor(about.worked.flatMap(({ switches }) => switches));
    case 'compare':
      return panelFor([about.side === 'left' ? 'turn-left' : 'turn-right']);
    case 'hazard-run':
      return about.hazardSwitch ? { ...CONTROLS_OFF, hazard: true } : panelFor(['turn-left']);
    default:
      return null;
  }
}

/**
 * Ampere-hours the work takes out of the battery with the engine off: every test as long as its step, with stock bulbs at the
 * most and as planned at the least; a door open at the most as long as all of the work, at the least not at all. What is
 * switched on for a round stays on till it is switched off.
 */
export function batteryBudget(
  { vehicle, ledger }: Pick<Job, 'vehicle' | 'ledger'>,
  simulations: Record<'stock' | 'planned', VehicleSimulation>,
  steps: readonly FitStep[],
): BatteryBudget {
  const volts = voltsAt(vehicle, 'rested');
  const known = new Map<string, Range>();
  const amps = (controls: Controls): Range => {
    const key = JSON.stringify(controls);
    let range = known.get(key);
    if (!range) {
      const both = [simulations.stock, simulations.planned].map((each) => batteryAmps(each, controls, volts));
      range = [Math.min(...both), Math.max(...both)];
      known.set(key, range);
    }
    return range;
  };
  let tests: Range = [0, 0];
  let heaviestAmps = 0;
  let left: Controls | null = null;
  for (const step of steps) {
    if (step.about.of === 'switch-on') left = panelOf(step);
    if (step.about.of === 'switch-off') left = null;
    const panel = panelOf(step) ?? left;
    if (!panel) continue;
    const [least, most] = amps(panel);
    heaviestAmps = Math.max(heaviestAmps, most);
    tests = [tests[0] + (least * step.minutes[0]) / 60, tests[1] + (most * step.minutes[1]) / 60];
  }
  const minutes = steps.reduce((sum, step) => sum + step.minutes[1], 0);
  const doors: Range = [0, (amps({ ...CONTROLS_OFF, doors: true })[1] * minutes) / 60];
  const total: Range = [tests[0] + doors[0], tests[1] + doors[1]];
  const read = ledger?.batteryAh;
  const batteryAh: Range = read === undefined ? TYPICAL_AH[vehicle.kind] : [read, read];
  const spare: Range = [batteryAh[0] * SPARE_SHARE, batteryAh[1] * SPARE_SHARE];
  const lasts = (ah: number) => (heaviestAmps > 0 ? (60 * ah) / heaviestAmps : Number.POSITIVE_INFINITY);
  return {
    tests,
    doors,
    total,
    batteryAh,
    read: read !== undefined,
    spare,
    heaviestAmps,
    minutesLeft: [lasts(spare[0]), lasts(spare[1])],
    state: total[1] <= spare[0] ? 'enough' : total[0] > spare[1] ? 'too-little' : 'maybe',
  };
}
