import { inARow, ohms, watts } from '../../../formatting/format.ts';
import { temperature } from '../../../formatting/units.ts';
import { hotterAt } from '../../../heat/measured.ts';
import { hottestResistor, mountedPieces } from '../../../heat/mounts.ts';
import { chargingVolts } from '../../../judge/workingPoints.ts';
import type { LoadResistorCure, ResistorNetwork, ResistorPiece } from '../../../model/cures.ts';
import type { Job } from '../../../model/job.ts';
import type { Shelf } from '../../../model/part.ts';
import type { TurnCircuit } from '../../../model/vehicle/circuit.ts';
import { lampById, turnCircuits } from '../../../model/vehicle/lookUp.ts';
import { ledOf, resistorsOf } from '../../../simulation/fitment.ts';
import { type CureOption, option, supposing } from '../option.ts';
import { metalSupposed } from './loadResistors.ts';

/** What people put across each 21 to 27 W bulb (common practice): rated volts over rated amps. */
const CUSTOMARY: Readonly<Record<number, { ohms: number; watts: number }>> = {
  6: { ohms: 1.5, watts: 50 },
  12: { ohms: 6, watts: 50 },
  24: { ohms: 27, watts: 50 },
};

/** Lamps of a circuit that stop and turn with one filament and have an LED in place of it. */
function stopAndTurn(job: Job, shelf: Shelf, circuit: TurnCircuit): string[] {
  if (circuit.stopFuseId === undefined) return [];
  return circuit.feeds
    .filter(({ turnOnly, input }) => !turnOnly && input === 'main')
    .map(({ lampId }) => lampId)
    .filter((lampId) => ledOf(job, shelf, lampId) !== null)
    .filter((lampId) => lampById(job.vehicle, lampId).resistorMount !== 'none');
}

/**
 * Where two bulbs a side stop and turn on one filament each: the resistor across each that people fit there, whatever the
 * search makes of it, with how hot the brake makes it and what avoids that. Judged as every other cure.
 */
export function customaryOptions(job: Job, shelf: Shelf): CureOption[] {
  const { vehicle } = job;
  const size = CUSTOMARY[vehicle.systemVolts];
  const bySide = turnCircuits(vehicle).map(
    (circuit) => [circuit.id, stopAndTurn(job, shelf, circuit)] as const,
  );
  if (!size || !bySide.some(([, lamps]) => lamps.length > 1)) return [];
  const held = resistorsOf(shelf).find((each) => each.ohms === size.ohms && each.watts === size.watts);
  const piece: ResistorPiece = {
    partId: held?.id ?? null,
    ...size,
    tolerance: held?.tolerance ?? 0.05,
  };
  const cures = Object.fromEntries(
    bySide
      .filter(([, lamps]) => lamps.length > 0)
      .map(([circuitId, lamps]): [string, LoadResistorCure] => [
        circuitId,
        {
          kind: 'load-resistor',
          networks: lamps.map(
            (lampId): ResistorNetwork => ({ lampId, connection: 'parallel', pieces: [piece] }),
          ),
        },
      ]),
  );
  const lamps = bySide.flatMap(([, ids]) => ids);
  const made = option(
    'resistors-customary',
    ['load-resistor'],
    `Load resistors, ${ohms(size.ohms)} ${watts(size.watts)} across each of ${lamps.length} lamps, as is customary`,
    { cures },
  );
  return [supposing({ ...made, why: brakeWords(job, cures) }, metalSupposed(job, lamps))];
}

/** How hot the brake makes them, and what avoids it. */
function brakeWords(job: Job, cures: Readonly<Record<string, LoadResistorCure>>): string {
  const { vehicle } = job;
  const networks = Object.values(cures).flatMap((cure) => cure.networks);
  const litVolts = chargingVolts(vehicle.systemVolts);
  const heat = hottestResistor(vehicle, networks, litVolts, { only: 'jam', hotter: hotterAt(job) });
  // They are all alike.
  const [piece] = mountedPieces(vehicle, networks, litVolts);
  if (!heat || !piece) return '';
  const avoids = inARow([
    'a relay that does not watch',
    'a filament left in one lamp a side',
    'LEDs with a load built in',
    'a larger piece of metal',
  ]);
  return `One filament stops and turns, so that the brake heats them too, ${watts(piece.litWatts)} each: after ${heat.useCase.name} at ${temperature(heat.ambientCelsius)} the case is at ${temperature(heat.peakCaseCelsius)} on this mount (estimate). What avoids it: ${avoids}; and where a converter makes stop and turn of two feeds, the resistor on its turn side, which the brake never lights.`;
}
