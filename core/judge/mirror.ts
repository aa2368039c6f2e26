import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuitsOn, turnSides } from '../model/vehicle/lookUp.ts';
import { outputOf } from '../simulation/controls.ts';
import type { TurnCircuits } from '../simulation/turnCircuits.ts';
import { contentAsText } from './asText.ts';
import type { Variant } from './variants.ts';
import type { JudgedPoint } from './verdict.ts';

/**
 * Whether a turn circuit and its own of the other side are electrically the same under every variant: same wires, bulbs,
 * resistors and outputs in the same order, and nothing else that bears on either. What is judged of one is then true of the other.
 */
export function mirrored(variants: readonly Variant[], one: TurnCircuit, other: TurnCircuit): boolean {
  return variants.every(({ possibility, fitted }) => {
    const { vehicle } = possibility.job;
    const { bearing } = possibility.bands.turns.simulation;
    if (vehicle.pilot || (possibility.learned !== null && vehicle.flasher.kind === 'controller'))
      return false;
    const alone = [one, other].every(({ id }) => bearing.together([id]).size === 1);
    const same = (turns: TurnCircuits) => sideAsText(turns, one) === sideAsText(turns, other);
    return alone && same(possibility.bands.turns) && fitted.every(same);
  });
}

/** Everything of one side that its currents depend on, without names. */
function sideAsText({ vehicle, fitment }: TurnCircuits, circuit: TurnCircuit): string {
  const output = outputOf({ ...vehicle, flasher: fitment.flasher }, circuit);
  return JSON.stringify([
    circuit.wire,
    circuit.switchOhms,
    circuit.from,
    circuit.stopFuseId,
    output && [output.onOhms, output.pwm, output.blankingSeconds, output.limitAmps, output.watch?.setting],
    circuit.feeds.map(({ lampId, input, turnOnly }) => {
      const lamp = vehicle.lamps.find((each) => each.id === lampId);
      return [
        input,
        turnOnly,
        lamp?.role,
        lamp?.base,
        lamp?.socketWiring,
        lamp?.lead,
        lamp?.earth,
        vehicle.earthPoints.find((point) => point.id === lamp?.earthPoint)?.ohms,
        contentAsText(fitment.contents.get(lampId)),
        fitment.resistors
          .filter((network) => network.lampId === lampId)
          .map(({ lampId: _, ...network }) => network),
        fitment.wired.flatMap((each) =>
          each.kind === 'before-lamp' && each.lampId === lampId ? [each.part] : [],
        ),
      ];
    }),
  ]);
}

/** The points of one side told of its mirror image. */
export function pointsAcross(
  points: readonly JudgedPoint[],
  one: TurnCircuit,
  other: TurnCircuit,
): JudgedPoint[] {
  const across = new Map(lampIdsOf(one).map((id, index) => [id, lampIdsOf(other)[index] ?? id]));
  return points.map((point) => {
    const { missingLampId } = point.band;
    return { ...point, band: { ...point.band, missingLampId: across.get(missingLampId) ?? missingLampId } };
  });
}

/** The turn circuits of a vehicle, each with its own of the other side; null where a side has another number of them. */
export function acrossPairs({ vehicle }: Pick<TurnCircuits, 'vehicle'>): [TurnCircuit, TurnCircuit][] | null {
  const [one, other] = turnSides(vehicle).map((side) => turnCircuitsOn(vehicle, side));
  if (!one || !other || one.length !== other.length) return null;
  return one.map((circuit, index) => [circuit, other[index] as TurnCircuit]);
}
