import { capital } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import { scopeCircuits } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { isOn } from '../simulation/bearing.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { controlsFor } from '../simulation/moment.ts';

/** One thing to work and look at: what is switched on, and what is said to whoever sits in the seat. */
export interface Cell {
  id: string;
  /** `Left turn, with the lights` */
  name: string;
  controls: Controls;
  say: string;
}

const COMPANY: readonly { id: string; words: string; change: Partial<Controls> }[] = [
  { id: 'lights', words: 'with the lights', change: { lights: true } },
  { id: 'brake', words: 'with the brake', change: { brake: true } },
];

/**
 * The cells of a job's proving grid: each function it converts or may disturb alone, turn lamps with the lights and with
 * the brake, hazard, everything at once, and everything off in the dark.
 */
export function cellsOf(job: Job): Cell[] {
  const { vehicle } = job;
  const circuits = scopeCircuits(job);
  const cells = new Map<string, Cell>();
  const add = (id: string, name: string, controls: Controls) => {
    const key = JSON.stringify(controls);
    const lights = circuits.some((circuit) => isOn(circuit, controls));
    if (cells.has(key) || (!lights && id !== 'off')) return;
    cells.set(key, { id, name, controls, say: sayOf(controls) });
  };
  if (circuits.length === 0) return [];
  add('off', 'Everything off, in the dark', CONTROLS_OFF);
  for (const circuit of circuits) add(circuit.id, nameOf(circuit), controlsFor(circuit));
  for (const circuit of circuits.filter(({ kind }) => kind === 'turn'))
    for (const { id, words, change } of COMPANY)
      add(`${circuit.id}-${id}`, `${circuit.name}, ${words}`, { ...controlsFor(circuit), ...change });
  const turns = circuits.some(({ kind }) => kind === 'turn');
  if (turns && vehicle.hazardSwitch) {
    add('hazard', 'Hazard', { ...CONTROLS_OFF, hazard: true });
    add('hazard-brake', 'Hazard, with the brake', { ...CONTROLS_OFF, hazard: true, brake: true });
  }
  add('lights-brake', 'Lights and brake', { ...CONTROLS_OFF, lights: true, brake: true });
  add('everything', 'Everything at once', {
    ...CONTROLS_OFF,
    key: 'on',
    ...(turns ? (vehicle.hazardSwitch ? { hazard: true } : { turn: 'left' as const }) : {}),
    lights: true,
    brake: true,
    reverse: true,
    fog: true,
    doors: true,
  });
  return [...cells.values()];
}

function nameOf({ kind, name }: Circuit): string {
  if (kind === 'tail' || kind === 'marker' || kind === 'plate' || kind === 'dash') return 'Lights';
  return kind === 'stop' || kind === 'third-brake' ? 'Brake' : name;
}

/** What somebody in the seat is told: `Key on, left turn, lights`. */
function sayOf({ key, turn, hazard, lights, brake, reverse, fog, mainBeam, doors }: Controls): string {
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
  ].filter(Boolean);
  return capital(said.join(', ') || 'everything off');
}
