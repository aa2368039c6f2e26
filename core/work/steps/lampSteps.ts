import type { Job } from '../../model/job.ts';
import type { LedPart, Shelf, WholeLampPart } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import { bulbsMoved } from '../../simulation/bulbsMoved.ts';
import { ledOf, networksOf, stockName } from '../../simulation/fitment.ts';
import { lampAcross } from '../../vehicle/across.ts';
import type { KnownConnector } from '../../wiring/connectors.ts';
import { loadAt, looseResistorsAt } from '../../wiring/looseResistors.ts';
import { pinMapOf } from '../../wiring/wholeLampPins.ts';
import type { FitStep } from './fitStep.ts';
import { repairSteps } from './repairSteps.ts';
import { harnessStep, resistorSteps } from './resistorSteps.ts';
import type { WayRound } from './stepAbout.ts';

/** Whether something is done at a lamp. */
export function hasWork(job: Job, shelf: Shelf, lamp: Lamp): boolean {
  return (
    ledOf(job, shelf, lamp.id) !== null ||
    networksOf(job).some((network) => network.lampId === lamp.id) ||
    job.repairs?.some(({ lampId }) => lampId === lamp.id) === true ||
    renews(job, lamp.id) ||
    lamp.added !== undefined
  );
}

/** Whether a filament bulb that stays is to be renewed: dead, or somebody asked for it. */
function renews(job: Job, lampId: string): boolean {
  const record = job.lookOver.lamps[lampId];
  return record?.replace ?? record?.condition === 'dead';
}

/**
 * What is done at one lamp once it can be got at: another bulb, then its resistors.
 *
 * @param plugs the vehicle's plugs, where somebody has listed them already
 */
export function lampSteps(job: Job, shelf: Shelf, lamp: Lamp, plugs?: readonly KnownConnector[]): FitStep[] {
  const resistors = looseResistorsAt(job, lamp.id, plugs).flatMap((loose) => resistorSteps(job, lamp, loose));
  const harness = networksOf(job).find(
    ({ lampId, plugged, input }) => lampId === lamp.id && plugged && input !== 'dim',
  );
  return [
    ...repairSteps(job, lamp),
    ...bulbSteps(job, shelf, lamp, plugs),
    ...resistors,
    ...(harness ? [harnessStep(shelf, lamp, loadAt(job, harness, plugs))] : []),
  ];
}

/** What goes into a lamp's socket, or takes the lamp's place. */
function bulbSteps(
  job: Job,
  shelf: Shelf,
  lamp: Lamp,
  plugs: readonly KnownConnector[] | undefined,
): FitStep[] {
  const at = { lampId: lamp.id, openingId: lamp.access.group };
  if (lamp.added) return [{ ...at, ...addStep(job, lamp) }];
  const led = ledOf(job, shelf, lamp.id);
  const stock = stockName(job, lamp);
  const whole = wholeLampAt(job, shelf, lamp);
  if (whole)
    return whole.lead
      ? [
          {
            ...at,
            id: `whole-${lamp.id}`,
            kind: 'whole',
            about: {
              of: 'whole',
              lamp,
              part: whole.part,
              pins: pinMapOf(job.vehicle, lamp, whole.part, plugs),
              bulbs: bulbsMoved(job, lamp, whole.part),
            },
            minutes: [8, 25],
            timedAs: 'whole',
          },
        ]
      : [];
  if (led)
    return [
      {
        ...at,
        id: `swap-${lamp.id}`,
        kind: 'swap',
        about: { of: 'swap', lamp, stock, wayRound: wayRound(job, lamp, led), alike: neighbours(job, lamp) },
        minutes: [0.3, 4],
        timedAs: 'swap',
        ...(led.polarity === 'one-way' ? { polarityOf: lamp.id } : {}),
      },
    ];
  if (!renews(job, lamp.id)) return [];
  return [
    {
      ...at,
      id: `renew-${lamp.id}`,
      kind: 'swap',
      about: { of: 'renew', lamp, stock },
      minutes: [0.3, 3],
      timedAs: 'swap',
    },
  ];
}

/** A lamp the vehicle did not have: hole, wire, feed, earth. */
function addStep({ vehicle }: Job, lamp: Lamp): Omit<FitStep, 'lampId' | 'openingId'> {
  const own = circuitsOf(vehicle, lamp.id)[0];
  const worked = own?.relay && vehicle.circuits.find(({ id }) => id === own.relay?.by);
  const fuse =
    own?.relay && vehicle.fuses.find(({ id }) => own.from.by === 'switch' && own.from.fuseId === id);
  return {
    id: `add-${lamp.id}`.slice(0, 64),
    kind: 'mount',
    about: {
      of: 'add',
      lamp,
      feed: (worked ?? own)?.name ?? '',
      fuseAmps: fuse?.ratedAmps ?? null,
      drilled: lamp.added?.drilled === true,
    },
    minutes: lamp.added?.feed === 'relay' ? [40, 110] : [25, 70],
    timedAs: `add ${lamp.added?.feed ?? ''}`,
  };
}

function wayRound(job: Job, lamp: Lamp, led: LedPart): WayRound {
  const across = lampAcross(job.vehicle, lamp);
  const way = across && job.polarity?.[across.id]?.way;
  return { led, across: across && way ? { lamp: across, way } : null };
}

/** Sockets behind the same panel that take the same bulb: they are easily exchanged. */
function neighbours({ vehicle }: Job, lamp: Lamp): Lamp[] {
  return vehicle.lamps.filter(
    ({ id, access, base }) => id !== lamp.id && access.group === lamp.access.group && base === lamp.base,
  );
}

/** The whole lamp that takes a lamp's place, and whether this is the one of its lamps that carries the step. */
export function wholeLampAt(
  job: Job,
  shelf: Shelf,
  lamp: Lamp,
): { part: WholeLampPart; lead: boolean } | null {
  const part = shelf.find(
    (each): each is WholeLampPart => each.kind === 'whole-lamp' && each.id === job.chosen[lamp.id],
  );
  if (!part) return null;
  const first = job.vehicle.lamps.find(
    (each) =>
      each.side === lamp.side && job.chosen[each.id] === part.id && ledOf(job, shelf, each.id) !== null,
  );
  return { part, lead: first?.id === lamp.id };
}
