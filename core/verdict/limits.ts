import { pieceWatts } from '../circuit/resistorNetwork.ts';
import type { ResistorNetwork } from '../model/job.ts';
import type { Vehicle } from '../model/vehicle.ts';
import { amps, ohms, watts } from '../quantities/format.ts';
import { chargingVolts } from './workingPoints.ts';

/** A current or power against what it may not exceed. */
export interface LimitCheck {
  kind: 'fuse-heating' | 'fuse-lit' | 'relay' | 'resistor' | 'mount';
  name: string;
  value: number;
  limit: number;
  unit: 'A' | 'W';
  ok: boolean;
  /** one sentence with the figures put in */
  reason: string;
}

/**
 * Share of its rating a blade fuse may carry for as long as a hazard flasher may run. Fuse makers ask
 * for 70 to 75 % at room temperature (common practice, after ISO 8820; from memory); the lower is used.
 */
const FUSE_CONTINUOUS_SHARE = 0.7;

/** The most that hazard may draw while lit by each of the rules that `supplyLimits` checks, A. */
export function litAmpsAllowed({ supply: { fuse }, flasher }: Vehicle) {
  return [
    {
      kind: 'fuse-heating',
      allowedAmps: (fuse.ratedAmps * FUSE_CONTINUOUS_SHARE) / Math.sqrt(flasher.onFraction),
    },
    { kind: 'fuse-lit', allowedAmps: fuse.ratedAmps },
    { kind: 'relay', allowedAmps: flasher.ratedAmps },
  ] as const;
}

/**
 * Fuse and relay against the lit current of hazard. A fuse is judged twice: by the heating (RMS) current
 * of an hour's flashing against its continuous share, and by the lit current against its rating, since a
 * relay that sticks closed must not leave the vehicle dark.
 *
 * @param litAmps the highest lit current of hazard, A
 */
export function supplyLimits(vehicle: Vehicle, litAmps: number): LimitCheck[] {
  const { fuse } = vehicle.supply;
  const { onFraction, ratedAmps, name } = vehicle.flasher;
  const rmsAmps = litAmps * Math.sqrt(onFraction);
  const continuous = fuse.ratedAmps * FUSE_CONTINUOUS_SHARE;
  return [
    check('fuse-heating', fuse.name, rmsAmps, continuous, (ok) =>
      ok
        ? `Hazard heats the ${fuse.name} like a steady ${amps(rmsAmps)}, within the ${amps(continuous)} it may carry for hours.`
        : `Hazard heats the ${fuse.name} like a steady ${amps(rmsAmps)}; for hours it may carry ${amps(continuous)}, which is 70 % of its rating.`,
    ),
    check('fuse-lit', fuse.name, litAmps, fuse.ratedAmps, (ok) =>
      ok
        ? `Lit, hazard draws ${amps(litAmps)}, under the ${fuse.name}.`
        : `Lit, hazard draws ${amps(litAmps)}, more than the ${fuse.name} itself: a relay stuck on would blow it.`,
    ),
    check('relay', name, litAmps, ratedAmps, (ok) =>
      ok
        ? `The relay is rated ${amps(ratedAmps)}; hazard draws ${amps(litAmps)}.`
        : `The relay is rated ${amps(ratedAmps)}; hazard would draw ${amps(litAmps)}.`,
    ),
  ];
}

/**
 * Resistors against their printed watts and their mount. The printed watts must cover the lit power at
 * charging volts with the resistor at the low end of its tolerance, so that a turn signal left on, or a
 * relay stuck on, does not overrun it.
 */
export function resistorLimits(vehicle: Vehicle, networks: readonly ResistorNetwork[]): LimitCheck[] {
  const volts = chargingVolts(vehicle.systemVolts);
  return networks.flatMap((network) => {
    const lamp = vehicle.lamps.find((candidate) => candidate.id === network.lampId);
    const where = lamp?.name ?? network.lampId;
    const low = 1 - Math.max(...network.pieces.map((piece) => piece.tolerance));
    const lit = pieceWatts(network, volts, low);
    const checks = network.pieces.map((piece, index) => {
      const value = lit[index] ?? 0;
      return check(
        'resistor',
        `${ohms(piece.ohms)} at ${where}`,
        value,
        piece.watts,
        (ok) =>
          ok
            ? `${ohms(piece.ohms)} at ${where}: ${watts(value)} lit at ${volts} V, printed for ${watts(piece.watts)} on metal.`
            : `${ohms(piece.ohms)} at ${where}: ${watts(value)} lit at ${volts} V is more than the ${watts(piece.watts)} printed on it.`,
        'W',
      );
    });
    if (lamp?.resistorMount === 'none') {
      checks.push({
        kind: 'mount',
        name: where,
        value: 1,
        limit: 0,
        unit: 'W',
        ok: false,
        reason: `There is no metal to mount a resistor on at ${where}.`,
      });
    }
    return checks;
  });
}

function check(
  kind: LimitCheck['kind'],
  name: string,
  value: number,
  limit: number,
  reason: (ok: boolean) => string,
  unit: LimitCheck['unit'] = 'A',
): LimitCheck {
  const ok = value <= limit;
  return { kind, name, value, limit, unit, ok, reason: reason(ok) };
}
