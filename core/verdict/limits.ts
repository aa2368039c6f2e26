import { pieceWatts } from '../circuit/resistorNetwork.ts';
import { ratedAmps } from '../flashers/flasher.ts';
import type { ResistorNetwork } from '../model/job.ts';
import type { ControllerOutput, Flasher } from '../model/vehicle/flasher.ts';
import { turnCircuits, turnFuse, type Vehicle } from '../model/vehicle/vehicle.ts';
import { amps, ohms, watts } from '../quantities/format.ts';
import { chargingVolts } from './workingPoints.ts';

/** A current or power against what it may not exceed. */
export interface LimitCheck {
  kind: 'fuse-heating' | 'fuse-lit' | 'relay' | 'output' | 'switch' | 'resistor' | 'mount';
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
export const FUSE_CONTINUOUS_SHARE = 0.7;

/** The most that hazard may draw while lit by each of the rules that `supplyLimits` checks, A. */
export function litAmpsAllowed(vehicle: Vehicle, flasher: Flasher) {
  const fuse = turnFuse(vehicle);
  const rated = ratedAmps(flasher);
  const outputs = turnOutputs(vehicle, flasher);
  return [
    {
      kind: 'fuse-heating' as const,
      allowedAmps: (fuse.ratedAmps * FUSE_CONTINUOUS_SHARE) / Math.sqrt(flasher.onFraction),
    },
    { kind: 'fuse-lit' as const, allowedAmps: fuse.ratedAmps },
    ...(rated === null ? [] : [{ kind: 'relay' as const, allowedAmps: rated }]),
    // Both sides get the same resistors, so each output carries its share of the sum.
    ...(outputs.length === 0
      ? []
      : [
          {
            kind: 'output' as const,
            allowedAmps: Math.min(...outputs.map((output) => output.limitAmps)) * outputs.length,
          },
        ]),
  ];
}

/** The controller outputs that drive turn lamps. */
function turnOutputs(vehicle: Vehicle, flasher: Flasher): ControllerOutput[] {
  if (flasher.kind !== 'controller') return [];
  const turns = turnCircuits(vehicle).map((circuit) => circuit.id);
  return flasher.outputs.filter((output) => turns.includes(output.circuitId));
}

/** What one P21W class turn bulb of a trailer draws at its test volts, A, by system volts (P21W: about 25 W). */
const TRAILER_BULB_AMPS: Record<Vehicle['systemVolts'], number> = { 6: 3.7, 12: 1.85, 24: 0.95 };

/**
 * What a trailer's turn bulbs, one a side, add to a relay that feeds its socket too, A; 0 where there is no socket,
 * or a module of its own feeds it.
 */
export function trailerAmps({ facts, systemVolts }: Vehicle, sides: number): number {
  return facts?.towing === 'plain-socket' ? sides * TRAILER_BULB_AMPS[systemVolts] : 0;
}

/**
 * Fuse and relay, or outputs, against the lit current of hazard. A fuse is judged twice: by the heating (RMS)
 * current of an hour's flashing against its continuous share, and by the lit current against its rating, since a
 * relay that sticks closed must not leave the vehicle dark.
 *
 * @param litAmps the highest lit current of hazard, or of one side where there is no hazard switch, A
 * @param subject what draws it, to begin a sentence
 * @param outputAmps the most that one controller output carries of it; an even share where left out, A
 */
export function supplyLimits(
  vehicle: Vehicle,
  flasher: Flasher,
  litAmps: number,
  subject: string,
  outputAmps?: number,
): LimitCheck[] {
  const fuse = turnFuse(vehicle);
  const { onFraction, name } = flasher;
  const rmsAmps = litAmps * Math.sqrt(onFraction);
  const continuous = fuse.ratedAmps * FUSE_CONTINUOUS_SHARE;
  const rated = ratedAmps(flasher);
  // The stock relay was rated by its maker for whatever may hang on the socket; one that replaces it was not.
  const trailer =
    flasher.kind === 'non-watching-relay' ? trailerAmps(vehicle, vehicle.hazardSwitch ? 2 : 1) : 0;
  const towed = trailer > 0 ? `, ${amps(trailer)} of it a trailer on the socket` : '';
  const outputs = turnOutputs(vehicle, flasher);
  const share = outputAmps ?? litAmps / Math.max(1, outputs.length);
  const least = Math.min(...outputs.map((output) => output.limitAmps));
  return [
    check('fuse-heating', fuse.name, rmsAmps, continuous, (ok) =>
      ok
        ? `${subject} heats the ${fuse.name} like a steady ${amps(rmsAmps)}, within the ${amps(continuous)} it may carry for hours.`
        : `${subject} heats the ${fuse.name} like a steady ${amps(rmsAmps)}; for hours it may carry ${amps(continuous)}, which is 70 % of its rating.`,
    ),
    check('fuse-lit', fuse.name, litAmps, fuse.ratedAmps, (ok) =>
      ok
        ? `Lit, ${subject.toLowerCase()} draws ${amps(litAmps)}, under the ${fuse.name}.`
        : `Lit, ${subject.toLowerCase()} draws ${amps(litAmps)}, more than the ${fuse.name} itself: a relay stuck on would blow it.`,
    ),
    ...(rated === null
      ? []
      : [
          check('relay', name, litAmps + trailer, rated, (ok) =>
            ok
              ? `The relay is rated ${amps(rated)}; ${subject.toLowerCase()} draws ${amps(litAmps + trailer)}${towed}.`
              : `The relay is rated ${amps(rated)}; ${subject.toLowerCase()} would draw ${amps(litAmps + trailer)}${towed}.`,
          ),
        ]),
    ...(outputs.length === 0
      ? []
      : [
          check('output', name, share, least, (ok) =>
            ok
              ? `An output switches off above ${amps(least)}; a side draws ${amps(share)}.`
              : `An output switches off above ${amps(least)}; a side would draw ${amps(share)}.`,
          ),
        ]),
  ];
}

/**
 * How many times the stock bulbs' current a stalk or hazard switch is trusted with. Its rating is hardly ever known;
 * it was made for those bulbs, their inrush included (common practice).
 */
export const SWITCH_MARGIN = 1.5;

/**
 * The stalk against what one side draws: where no controller switches for it, the side's whole current passes it.
 *
 * @param litAmps the highest lit current of the side, A
 * @param stockAmps what its stock bulbs draw at charging volts, A
 */
export function switchLimit(flasher: Flasher, litAmps: number, stockAmps: number): LimitCheck[] {
  if (flasher.kind === 'controller') return [];
  const trusted = stockAmps * SWITCH_MARGIN;
  return [
    check('switch', 'turn switch', litAmps, trusted, (ok) =>
      ok
        ? `The turn switch carries ${amps(litAmps)}; with its stock bulbs it carried ${amps(stockAmps)}, and half as much again is trusted to it.`
        : `The turn switch would carry ${amps(litAmps)}, more than half again what its stock bulbs drew, ${amps(stockAmps)}: its contacts were made for those.`,
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
