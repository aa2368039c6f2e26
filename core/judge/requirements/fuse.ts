import { meanSquareOfFlash, type PulsedAmps } from '../../circuit/meanSquare.ts';
import { FUSE_CONTINUOUS_SHARE, fuseRating } from '../../model/vehicle/fuseRating.ts';
import { feedFuseId, fuseById } from '../../model/vehicle/lookUp.ts';
import type { Fuse, Vehicle } from '../../model/vehicle/vehicle.ts';
import { isOn } from '../../simulation/bearing.ts';
import { type Controls, dutyOf, EVERYTHING_STEADY, outputOf } from '../../simulation/controls.ts';
import { fuseBehind, isFlashing } from '../../simulation/fuseHeat.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import type { HealthyBands } from '../outageBand.ts';
import { workingPoints } from '../workingPoints.ts';
import { CircuitAmps, type Memory } from './circuitAmps.ts';
import { type LimitCheck, limitCheck, type OnFuse } from './limit.ts';
import { trailerAmps } from './trailer.ts';

/** What a fuse carries with everything on it that can be on at once. */
export interface FuseLoad {
  /** with what flashes lit, in the pulses, A */
  litAmps: number;
  /** root of the mean square over flashes and pulses, A */
  rmsAmps: number;
  /** of it what goes on in the dark of a flash, A */
  besideAmps: number;
}

/**
 * Everything on; where a filament is stop and turn, also with the turn signal at rest; where there are headlamps, also
 * with main beam.
 */
function heaviest({ hazardSwitch, circuits }: Vehicle): Controls[] {
  const all = EVERYTHING_STEADY;
  const flashing: Controls[] = hazardSwitch
    ? [{ ...all, hazard: true }]
    : [
        { ...all, turn: 'left' },
        { ...all, turn: 'right' },
      ];
  const resting = circuits.some((circuit) => circuit.stopFuseId !== undefined) ? [all] : [];
  const beams = circuits.some((circuit) => circuit.kind === 'main-beam');
  // Daytime running lamps may be off with the lights, and cornering lamps are with hazard.
  const day = circuits.some((circuit) => circuit.kind === 'daytime-running')
    ? [{ ...all, lights: false }]
    : [];
  const bends = circuits.flatMap(({ kind, side }) => (kind === 'cornering' ? [{ ...all, turn: side }] : []));
  return [...flashing, ...resting, ...day, ...bends].flatMap((each) =>
    beams && each.lights ? [each, { ...each, mainBeam: true }] : [each],
  );
}

/**
 * The heaviest load of a fuse at one supply: turn and other circuits together, the turns on for their share of a flash,
 * pulsed outputs for theirs of a pulse. The mean square is f·⟨(I_t + I_r)²⟩ + (1 − f)·⟨I_r²⟩, cross terms included.
 *
 * @throws NoSolutionError when no steady state exists
 */
export function fuseLoad(
  turns: TurnCircuits,
  fuseId: string,
  emfVolts: number,
  resistorFactor = 1,
  drawn = new CircuitAmps(turns),
): FuseLoad {
  const { vehicle, fitment } = turns;
  let worst: FuseLoad = { litAmps: 0, rmsAmps: 0, besideAmps: 0 };
  const seen = new Set<string>();
  for (const controls of heaviest(vehicle)) {
    const on = vehicle.circuits.filter(
      (circuit) => isOn(circuit, controls) && fuseBehind(vehicle, circuit, controls) === fuseId,
    );
    const flashing = on.filter((circuit) => isFlashing(circuit, controls));
    // Two panels that draw the same circuits from it load it alike.
    const key = `${on.map((circuit) => circuit.id).join()} ${flashing.length} ${controls.brake}`;
    if (on.length === 0 || seen.has(key)) continue;
    seen.add(key);
    const trailer =
      flashing.length > 0 && fuseId === vehicle.flasher.fuseId ? trailerAmps(vehicle, flashing.length) : 0;
    const carried = (lit: boolean): PulsedAmps[] => {
      const moment = { controls, emfVolts, lit, resistorFactor };
      const each = on
        .filter((circuit) => lit || !flashing.includes(circuit))
        .map((circuit) => ({
          amps: drawn.of(circuit, moment),
          duty: dutyOf(circuit, outputOf(vehicle, circuit), controls, emfVolts),
        }));
      return lit && trailer > 0 ? [...each, { amps: trailer, duty: 1 }] : each;
    };
    const sum = (all: readonly PulsedAmps[]) => all.reduce((total, each) => total + each.amps, 0);
    const lit = carried(true);
    const dark = flashing.length > 0 ? carried(false) : lit;
    const share = flashing.length > 0 ? fitment.flasher.onFraction : 1;
    const rmsAmps = Math.sqrt(meanSquareOfFlash(share, lit, dark));
    const load = { litAmps: sum(lit), rmsAmps, besideAmps: flashing.length > 0 ? sum(dark) + trailer : 0 };
    worst = {
      litAmps: Math.max(worst.litAmps, load.litAmps),
      rmsAmps: Math.max(worst.rmsAmps, load.rmsAmps),
      besideAmps: Math.max(worst.besideAmps, load.besideAmps),
    };
  }
  return worst;
}

/** The heaviest at the ends of the supply: a converter draws most of a tired battery, everything else of a charged one. */
function worstLoad(turns: TurnCircuits, fuseId: string, resistorFactor: number, memory: Memory): FuseLoad {
  const points = workingPoints(turns.vehicle.systemVolts);
  const drawn = new CircuitAmps(turns, memory);
  const loads = [points[0], points.at(-1)].map((point) =>
    fuseLoad(turns, fuseId, point?.volts ?? turns.vehicle.systemVolts, resistorFactor, drawn),
  );
  return {
    litAmps: Math.max(...loads.map((load) => load.litAmps)),
    rmsAmps: Math.max(...loads.map((load) => load.rmsAmps)),
    besideAmps: Math.max(...loads.map((load) => load.besideAmps)),
  };
}

/**
 * A fuse judged twice: by the heating (RMS) current of hours against its continuous share, and by the lit current
 * against its rating, since a relay that sticks closed must not leave the vehicle dark. What the vehicle left the
 * works with is its maker's affair, up to the rating itself.
 *
 * @param stock what it carried with its stock bulbs; null where nobody asks
 * @param on what draws it
 */
export function fuseLimits(fuse: Fuse, load: FuseLoad, stock: FuseLoad | null, on: OnFuse): LimitCheck[] {
  const asRated = (ratedAmps: number) => limitsAt({ ...fuse, ratedAmps }, load, stock, on);
  const taken = asRated(fuse.ratedAmps);
  const rating = fuseRating(fuse);
  if (rating.least === rating.most) return taken;
  const least = asRated(rating.least);
  const most = asRated(rating.most);
  return taken.map((limit, index): LimitCheck => {
    // What a smaller fuse bears a greater one does: where both ends agree so does what lies between.
    return least[index]?.ok === most[index]?.ok ? limit : { ...limit, ok: true, open: rating };
  });
}

function limitsAt(fuse: Fuse, load: FuseLoad, stock: FuseLoad | null, on: OnFuse): LimitCheck[] {
  const { litAmps, rmsAmps } = load;
  const continuous = fuse.ratedAmps * FUSE_CONTINUOUS_SHARE;
  const asMade = stock !== null && rmsAmps <= stock.rmsAmps * 1.001;
  const litAsMade = stock !== null && litAmps <= stock.litAmps * 1.001;
  return [
    limitCheck(
      { kind: 'fuse-heating', on },
      fuse.name,
      rmsAmps,
      continuous,
      'A',
      rmsAmps <= continuous || (asMade && rmsAmps <= fuse.ratedAmps),
    ),
    limitCheck(
      { kind: 'fuse-lit', on },
      fuse.name,
      litAmps,
      fuse.ratedAmps,
      'A',
      litAmps <= fuse.ratedAmps || litAsMade,
    ),
  ];
}

/** Everything on one fuse of a vehicle, against it. */
export function fuseRequirement(
  fitted: TurnCircuits,
  healthy: HealthyBands,
  fuseId: string,
  tolerance: number,
): LimitCheck[] {
  const { vehicle } = fitted;
  const fuse = fuseById(vehicle, fuseId);
  const memory = healthy.currents;
  const load = worstLoad(fitted, fuseId, 1 - tolerance, memory);
  const stock = healthy.remember(`fuse ${fuseId}`, () => worstLoad(healthy.turns, fuseId, 1, memory));
  return fuseLimits(fuse, load, stock, drawnFrom(vehicle, fuseId));
}

/** What draws from a fuse. */
function drawnFrom(vehicle: Vehicle, fuseId: string): OnFuse {
  const on = vehicle.circuits.filter((circuit) =>
    [feedFuseId(vehicle, circuit), circuit.stopFuseId].includes(fuseId),
  );
  // What stops through a turn filament rests there: the flash comes by another fuse, where it is another.
  const turns = on.some((circuit) => circuit.kind === 'turn' && feedFuseId(vehicle, circuit) === fuseId);
  return {
    flashing: turns ? (vehicle.hazardSwitch ? 'hazard' : 'side') : null,
    beside: !on.every((circuit) => circuit.kind === 'turn'),
  };
}
