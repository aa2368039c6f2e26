import { pieceWatts } from '../../circuit/resistorNetwork.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import { circuitsFeeding } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { feedDuty } from '../../simulation/duty.ts';
import { chargingVolts } from '../workingPoints.ts';
import { type LimitCheck, limitCheck } from './limit.ts';

/**
 * Resistors against their printed watts and their mount. The printed watts must cover the lit power at
 * charging volts with the resistor at the low end of its tolerance, so that a turn signal left on, or a
 * relay stuck on, does not overrun it; on a pulsed feed the power is its share of the pulses.
 *
 * @param at volts across them while lit, where those are not the vehicle's, V
 */
export function resistorLimits(
  vehicle: Vehicle,
  networks: readonly ResistorNetwork[],
  at = chargingVolts(vehicle.systemVolts),
): LimitCheck[] {
  return networks.flatMap((network) => {
    const lamp = vehicle.lamps.find((candidate) => candidate.id === network.lampId);
    const where = lamp?.name ?? network.lampId;
    const low = 1 - Math.max(...network.pieces.map((piece) => piece.tolerance));
    const feeding = circuitsFeeding(vehicle, network.lampId, network.input ?? 'main');
    // The feed that is on for longest decides: a tail output that goes to full with the brake is on throughout then.
    const duty = Math.max(
      ...[{ ...CONTROLS_OFF }, { ...CONTROLS_OFF, brake: true }].map((controls) =>
        feedDuty(vehicle, feeding, controls, at),
      ),
    );
    const lit = pieceWatts(network, at, low);
    const checks = network.pieces.map((piece, index) => {
      const value = (lit[index] ?? 0) * duty;
      return limitCheck({ kind: 'resistor', ohms: piece.ohms, atVolts: at }, where, value, piece.watts, 'W');
    });
    if (lamp?.resistorMount === 'none') {
      checks.push(limitCheck({ kind: 'mount' }, where, 1, 0, 'W'));
    }
    return checks;
  });
}
