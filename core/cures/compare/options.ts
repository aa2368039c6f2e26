import type { Job, LoadResistorCure, VehicleCure } from '../../model/job.ts';
import type { FlasherPart, LedPart, Shelf } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../../model/vehicle/vehicle.ts';
import { ohms, watts } from '../../quantities/format.ts';
import { ledOf } from '../../vehicle/fitment.ts';
import { ledFit } from '../../vehicle/ledFits.ts';
import { mirrorCure } from '../loadResistor/mirrorCure.ts';
import type { ResistorPlan } from '../loadResistor/plan.ts';

/** What a cure changes of a job; whatever is left out stays as it is without a cure. */
export interface CureChange {
  /** by circuit; the turn circuits' are replaced */
  cures?: Readonly<Record<string, LoadResistorCure>>;
  vehicleCures?: readonly VehicleCure[];
  chosen?: Readonly<Record<string, string | null>>;
}

export type CureKind =
  | 'nothing'
  | 'load-resistor'
  | 'built-in-load'
  | 'flasher-relay'
  | 'decoder'
  | 'controller-setting'
  | 'filament'
  | 'pilot-diodes';

/** One way to content what flashes and watches, ready to be tried; or the reason why it cannot be tried here. */
export interface CureOption {
  id: string;
  kinds: readonly CureKind[];
  name: string;
  change: CureChange | null;
  /** why it is out of the question on this vehicle */
  refused: string | null;
}

const option = (id: string, kinds: readonly CureKind[], name: string, change: CureChange): CureOption => ({
  id,
  kinds,
  name,
  change,
  refused: null,
});
const refused = (id: string, kinds: readonly CureKind[], name: string, why: string): CureOption => ({
  id,
  kinds,
  name,
  change: null,
  refused: why,
});

/**
 * Every way to content the flasher of a job's turn lamps: each cure of the trade alone and the combinations that
 * help, both sides alike. None is presumed to work; that is for whoever tries them.
 *
 * @param plan resistors worked out for one side; null while they are not
 */
export function turnOptions(job: Job, shelf: Shelf, plan: ResistorPlan | null): CureOption[] {
  return [
    option('nothing', ['nothing'], 'Nothing', {}),
    ...resistorOptions(job, plan),
    ...builtInOptions(job, shelf),
    ...relayOptions(job, shelf),
    ...settingOptions(job),
    ...decoderOptions(job, shelf),
    ...filamentOptions(job, shelf),
    ...pilotOptions(job),
  ];
}

function resistorOptions(job: Job, plan: ResistorPlan | null): CureOption[] {
  const name = 'Load resistors';
  if (plan === null) return [];
  const circuit = turnCircuits(job.vehicle).find((each) => each.id === plan.circuitId);
  const [choice] = plan.search.choices;
  if (!circuit || !choice)
    return plan.search.none ? [refused('resistors', ['load-resistor'], name, plan.search.none)] : [];
  const cures: Record<string, LoadResistorCure> = {};
  for (const each of turnCircuits(job.vehicle)) {
    const cure = each.id === circuit.id ? choice.cure : mirrorCure(job.vehicle, choice.cure, each);
    if (cure) cures[each.id] = cure;
  }
  const pieces = choice.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`);
  const each = new Set(pieces).size === 1 ? `${pieces.length} × ${pieces[0]}` : pieces.join(' and ');
  return [option('resistors', ['load-resistor'], `${name}, ${each} a side`, { cures })];
}

function turnLamps(job: Job): Lamp[] {
  const ids = new Set(turnCircuits(job.vehicle).flatMap(lampIdsOf));
  return job.vehicle.lamps.filter((lamp) => ids.has(lamp.id));
}

function builtInOptions(job: Job, shelf: Shelf): CureOption[] {
  const name = 'LEDs with a load built in';
  const kinds = ['built-in-load'] as const;
  const mains = turnLamps(job).filter((lamp) => lamp.role === 'main' && ledOf(job, shelf, lamp.id) !== null);
  if (mains.length === 0) return [];
  const chosen: Record<string, string> = {};
  for (const lamp of mains) {
    const part = shelf
      .filter((each): each is LedPart => each.kind === 'led' && each.builtInLoadOhms !== undefined)
      .filter((each) => ledFit(job.vehicle, lamp, each).fits)
      .toSorted((a, b) => (a.builtInLoadOhms ?? 0) - (b.builtInLoadOhms ?? 0))[0];
    if (!part)
      return [
        refused(
          'built-in',
          kinds,
          name,
          `No LED on the shelf with a load built in goes into ${lamp.name.toLowerCase()} (${lamp.base}, ${job.vehicle.systemVolts} V).`,
        ),
      ];
    chosen[lamp.id] = part.id;
  }
  return [option('built-in', kinds, name, { chosen })];
}

function relayOptions(job: Job, shelf: Shelf): CureOption[] {
  const { vehicle } = job;
  const name = 'LED flasher relay';
  if (vehicle.flasher.kind === 'controller')
    return [
      refused(
        'relay',
        ['flasher-relay'],
        name,
        `The flasher is inside the ${vehicle.flasher.name}: there is no relay to change.`,
      ),
    ];
  const parts = shelf.filter((part): part is FlasherPart => part.kind === 'flasher');
  const fitting = parts.filter((part) => part.systemVolts === vehicle.systemVolts);
  if (fitting.length === 0)
    return [
      refused(
        'relay',
        ['flasher-relay'],
        name,
        `No flasher relay for ${vehicle.systemVolts} V is on the shelf.`,
      ),
    ];
  const target = 88;
  return fitting.flatMap((part) => {
    const span = part.fastestRate - part.slowestRate;
    const position = span > 0 ? Math.min(1, Math.max(0, (target - part.slowestRate) / span)) : 0;
    const cure: VehicleCure = { kind: 'flasher-relay', partId: part.id, position };
    const alone = option(`relay-${part.id}`, ['flasher-relay'], `${part.code}, LED flasher relay`, {
      vehicleCures: [cure],
    });
    if (!vehicle.pilot) return [alone];
    return [
      alone,
      option(
        `relay-${part.id}-diodes`,
        ['flasher-relay', 'pilot-diodes'],
        `${part.code} and two diodes for the pilot`,
        { vehicleCures: [cure, { kind: 'pilot-diodes' }] },
      ),
    ];
  });
}

function settingOptions({ vehicle }: Job): CureOption[] {
  const name = 'Controller setting “LED fitted”';
  const { flasher } = vehicle;
  if (flasher.kind !== 'controller') return [];
  const circuits = turnCircuits(vehicle);
  const settable = circuits.filter((circuit) =>
    flasher.outputs.some((output) => output.circuitId === circuit.id && output.watch?.canSetLed),
  );
  if (settable.length < circuits.length)
    return [
      refused(
        'setting',
        ['controller-setting'],
        name,
        `The ${flasher.name} has no such setting for its turn lamps.`,
      ),
    ];
  return [
    option('setting', ['controller-setting'], name, {
      vehicleCures: settable.map((circuit) => ({
        kind: 'controller-setting',
        circuitId: circuit.id,
        setting: 'led',
        before: 'filament',
      })),
    }),
  ];
}

function decoderOptions(job: Job, shelf: Shelf): CureOption[] {
  const decoders = shelf.flatMap((part) => (part.kind === 'decoder' ? [part] : []));
  if (decoders.length === 0) return [];
  if (job.vehicle.flasher.kind !== 'controller')
    return [
      refused(
        'decoder',
        ['decoder'],
        'Decoders',
        'There is no controller here whose pulses or tests it could smooth: a plain relay needs none.',
      ),
    ];
  const lamps = turnLamps(job).filter((lamp) => ledOf(job, shelf, lamp.id) !== null);
  return decoders.map((part) =>
    option(`decoder-${part.id}`, ['decoder'], `${part.code} at each turn lamp`, {
      vehicleCures: lamps.map((lamp) => ({ kind: 'decoder', lampId: lamp.id, partId: part.id })),
    }),
  );
}

/** One main lamp a side keeps its filament: the rear or the front one. */
function filamentOptions(job: Job, shelf: Shelf): CureOption[] {
  const converted = turnLamps(job).filter(
    (lamp) => lamp.role === 'main' && ledOf(job, shelf, lamp.id) !== null,
  );
  return (['front', 'rear'] as const).flatMap((end) => {
    const lamps = converted.filter((lamp) => lamp.end === end);
    // With every one of them back a filament nothing would be converted.
    if (lamps.length === 0 || lamps.length === converted.length) return [];
    return [
      option(`filament-${end}`, ['filament'], `Filaments kept at the ${end}`, {
        chosen: Object.fromEntries(lamps.map((lamp) => [lamp.id, null])),
      }),
    ];
  });
}

function pilotOptions({ vehicle }: Job): CureOption[] {
  return vehicle.pilot
    ? [
        option('diodes', ['pilot-diodes'], 'Two diodes for the pilot alone', {
          vehicleCures: [{ kind: 'pilot-diodes' }],
        }),
      ]
    : [];
}

/** The job with a cure of its turn lamps in place of whatever cure it has for them; its other circuits' cures stay. */
export function withCure(job: Job, change: CureChange): Job {
  const turns = new Set(turnCircuits(job.vehicle).map((circuit) => circuit.id));
  const turning = new Set(turnLamps(job).map((lamp) => lamp.id));
  const others = Object.fromEntries(Object.entries(job.cures).filter(([id]) => !turns.has(id)));
  const kept = job.vehicleCures.filter((cure) => {
    switch (cure.kind) {
      case 'flasher-relay':
      case 'pilot-diodes':
        return false;
      case 'decoder':
        return !turning.has(cure.lampId);
      default:
        return !turns.has(cure.circuitId);
    }
  });
  return {
    ...job,
    chosen: { ...job.chosen, ...change.chosen },
    cures: { ...others, ...change.cures },
    vehicleCures: [...kept, ...(change.vehicleCures ?? [])],
  };
}
