import { capital } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import { scopeCircuits } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { turnSideName } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from '../simulation/bearing.ts';
import { CONTROLS_OFF, type Controls, EVERYTHING_STEADY } from '../simulation/controls.ts';
import type { Fitment } from '../simulation/fitment.ts';
import { controlsFor } from '../simulation/moment.ts';

/** Under what a function is worked: the columns of the grid. */
export const CONDITIONS = ['alone', 'lights', 'brake', 'engine', 'everything', 'asleep', 'minutes'] as const;
export type CellCondition = (typeof CONDITIONS)[number];

export const CONDITION_WORDS: Record<CellCondition, string> = {
  alone: 'alone',
  lights: 'with the lights',
  brake: 'with the brake',
  engine: 'engine running',
  everything: 'everything at once',
  asleep: 'first start after a sleep',
  minutes: 'after ten minutes',
};

/** One thing to work and look at: what is switched on, and what is said to whoever sits in the seat. */
export interface Cell {
  id: string;
  /** `Left turn, with the lights` */
  name: string;
  /** the row of the grid it stands in: `Left turn`; what must be waited for has one of its own */
  of: string;
  condition: CellCondition;
  controls: Controls;
  say: string;
  /** what is done so that nobody is hurt; null where the usual caution is enough */
  safely: string | null;
}

const COMPANY: readonly { condition: 'lights' | 'brake' | 'engine'; change: Partial<Controls> }[] = [
  { condition: 'lights', change: { lights: true } },
  { condition: 'brake', change: { brake: true } },
  { condition: 'engine', change: { key: 'running' } },
];

/**
 * The cells of a job's proving grid: each function it converts or may disturb alone, turn lamps with the lights, with the
 * brake and with the engine running, hazard, everything at once, everything off in the dark, the first start after the
 * vehicle slept where a controller tests its lamps, and ten minutes on where resistors get warm.
 */
export function cellsOf(job: Job, fitment: Fitment): Cell[] {
  const { vehicle } = job;
  const circuits = scopeCircuits(job);
  const cells = new Map<string, Cell>();
  const add = (id: string, of: string, condition: CellCondition, controls: Controls) => {
    const warm = condition === 'minutes' || condition === 'asleep';
    const key = warm ? id : JSON.stringify(controls);
    const lights = circuits.some((circuit) => isOn(circuit, controls));
    if (cells.has(key) || (!lights && id !== 'off' && condition !== 'asleep')) return;
    const name = condition === 'alone' ? of : `${of}, ${CONDITION_WORDS[condition]}`;
    cells.set(key, {
      id,
      name,
      of: warm ? name : of,
      condition,
      controls,
      say: sayOf(controls),
      safely: safely(controls),
    });
  };
  if (circuits.length === 0) return [];
  add('off', 'Everything off, in the dark', 'alone', CONTROLS_OFF);
  for (const circuit of circuits.filter(({ kind }) => kind !== 'cornering'))
    add(circuit.id, nameOf(vehicle, circuit), 'alone', controlsFor(circuit));
  for (const circuit of circuits.filter(({ kind }) => kind === 'turn'))
    for (const { condition, change } of COMPANY)
      add(`${circuit.id}-${condition}`, nameOf(vehicle, circuit), condition, {
        ...controlsFor(circuit),
        ...change,
      });
  // With the lights and the turn of one side, which its turn lamp has a cell for where it is converted too.
  for (const circuit of circuits.filter(({ kind }) => kind === 'cornering'))
    add(circuit.id, nameOf(vehicle, circuit), 'alone', controlsFor(circuit));
  for (const circuit of circuits.filter(({ kind }) => kind === 'daytime-running')) {
    const beside = controlsFor(circuit);
    add('daytime-lights', nameOf(vehicle, circuit), 'lights', { ...beside, lights: true });
    if (circuit.side)
      add(`daytime-turn-${circuit.side}`, `${nameOf(vehicle, circuit)}, ${circuit.side} turn`, 'alone', {
        ...beside,
        turn: circuit.side,
      });
  }
  const turns = circuits.some(({ kind }) => kind === 'turn');
  const hazard = { ...CONTROLS_OFF, hazard: true };
  if (turns && vehicle.hazardSwitch) {
    add('hazard', 'Hazard', 'alone', hazard);
    add('hazard-brake', 'Hazard', 'brake', { ...hazard, brake: true });
  }
  add('lights-brake', 'Brake', 'lights', { ...CONTROLS_OFF, lights: true, brake: true });
  const all: Controls = {
    ...EVERYTHING_STEADY,
    ...(turns ? (vehicle.hazardSwitch ? { hazard: true } : { turn: 'left' as const }) : {}),
  };
  add('everything', 'Everything at once', 'alone', all);
  if (tested(job)) add('asleep', 'Key on', 'asleep', { ...CONTROLS_OFF, key: 'on' });
  for (const [circuit, id, of] of warmed(job, fitment))
    add(`${id}-minutes`, of, 'minutes', id === 'hazard' ? hazard : controlsFor(circuit));
  return [...cells.values()];
}

/** Whether a controller tests lamps of a job in the dark, and says so at the first start. */
function tested(job: Job): boolean {
  const { flasher } = job.vehicle;
  if (flasher.kind !== 'controller') return false;
  const ids = new Set(scopeCircuits(job).map(({ id }) => id));
  return flasher.outputs.some(({ circuitId, coldCheck }) => coldCheck !== undefined && ids.has(circuitId));
}

/** What warms resistors: hazard at once where there is one, and the lights of a lamp that has one on its turn feed. */
function warmed(job: Job, { resistors }: Fitment): [circuit: Circuit, id: string, of: string][] {
  const held = new Set(resistors.map(({ lampId }) => lampId));
  const found: [Circuit, string, string][] = [];
  for (const circuit of scopeCircuits(job)) {
    if (!circuit.feeds.some(({ lampId }) => held.has(lampId))) continue;
    if (circuit.kind !== 'turn') found.push([circuit, circuit.id, nameOf(job.vehicle, circuit)]);
    else if (job.vehicle.hazardSwitch) found.push([circuit, 'hazard', 'Hazard']);
    else found.push([circuit, circuit.id, nameOf(job.vehicle, circuit)]);
  }
  return found;
}

function nameOf(vehicle: Vehicle, { kind, side, name }: Circuit): string {
  if (kind === 'turn' && side !== null) return turnSideName(vehicle, side);
  if (kind === 'tail' || kind === 'marker' || kind === 'plate' || kind === 'dash') return 'Lights';
  if (kind === 'daytime-running') return 'Daytime running';
  return kind === 'stop' || kind === 'third-brake' ? 'Brake' : name;
}

/** What somebody in the seat is told: `Key on, left turn, lights`. */
function sayOf({
  key,
  turn,
  hazard,
  lights,
  brake,
  reverse,
  fog,
  mainBeam,
  doors,
  ...rest
}: Controls): string {
  const said = [
    key === 'running' ? 'engine running' : key === 'on' ? 'key on' : '',
    turn ? `${turn} turn` : '',
    hazard ? 'hazard' : '',
    lights ? 'lights' : '',
    mainBeam ? 'main beam' : '',
    brake ? 'brake' : '',
    reverse ? 'reverse' : '',
    fog ? 'fog' : '',
    doors ? 'a door open' : '',
    rest.lids ? 'boot, glove box and flaps open' : '',
    rest.lampSwitches ? 'switches at the lamps on' : '',
    rest.work ? 'work lamps' : '',
    rest.beacon ? 'beacon' : '',
  ].filter(Boolean);
  return capital(said.join(', ') || 'everything off');
}

/** The safe way to light what moves a vehicle when it is worked (common practice). */
function safely({ reverse, brake, key }: Controls): string | null {
  if (key === 'running')
    return 'Engine running: parking brake on, in neutral, wheels chocked, in the open air, nobody before or behind the vehicle.';
  if (reverse) return 'Key on, engine off, wheels chocked; then reverse gear.';
  return brake ? 'Somebody on the pedal, or a prop between pedal and seat; wheels chocked.' : null;
}
