import type { Method } from './evidence.ts';
import { visitsOf } from './visits.ts';

/** What was told up to version 10 in these words was told by this symptom: the words were all that was kept of it. */
const SYMPTOM_OF: Record<string, string> = {
  'A lamp does not light at all': 'not-lit',
  'It flashes fast on both sides': 'fast-both',
  'It flashes fast on one side': 'fast-side',
  'It flashes fast only with the lights on': 'fast-lights',
  'It flashes slowly or stays on': 'stays-on',
  'It never flashes': 'never',
  'All four flash': 'all-four',
  'A dash message, the lamp is fine': 'message',
  'It flickers while it is on': 'flickers',
  'It glows while it is off': 'glows',
  'Dim and bright are swapped': 'swapped',
  'This lamp lights with another switch': 'wrong-lamp',
  'Its fuse blows': 'fuse-blows',
  'Cruise, gear lever or gear changes are odd (automatic)': 'odd-brake',
  'The battery light is odd, or it does not charge': 'charge',
  'The lamp is wet inside': 'wet',
  'The sweep never finishes': 'sweep',
};

type Old = Record<string, unknown>;

/**
 * The log of a job up to version 10, whose records did not say of which vehicle, in which visit and on which device: they
 * are of the job's vehicle, in visits by the pauses between them.
 *
 * @param vehicleId of the job
 */
export function upgradeLog(evidence: readonly unknown[], vehicleId: string): unknown[] {
  const visits = visitsOf(evidence.map((each) => ({ at: isRecord(each) ? String(each.at) : '' })));
  return evidence.map((each, index) =>
    isRecord(each) && !('vehicleId' in each)
      ? { ...withQuantity(each), vehicleId, visit: visits[index], device: null }
      : each,
  );
}

function withQuantity({ ratePerMinute, uncertainty, volts, ohms, ...old }: Old): Old {
  switch (old.kind) {
    case 'rate':
      return {
        ...old,
        quantity: ratePerMinute === null ? null : quantity('/min', ratePerMinute, uncertainty),
      };
    case 'pin': {
      const method: Method = old.how === 'probe' ? 'probe' : 'meter';
      const [unit, value] = volts === undefined ? ['Ω', ohms] : ['V', volts];
      return {
        ...old,
        method,
        ...(value === undefined ? {} : { quantity: quantity(unit as string, value, null) }),
      };
    }
    case 'cell': {
      const symptom = SYMPTOM_OF[String(old.words)];
      return symptom ? { ...old, method: 'told', symptom } : { ...old, method: 'seen' };
    }
    case 'clue':
      return { ...old, method: 'told' };
    default:
      return { ...old, method: 'seen' };
  }
}

const quantity = (unit: string, value: unknown, uncertainty: unknown) => ({
  value,
  unit,
  uncertainty: uncertainty ?? null,
});

function isRecord(value: unknown): value is Old {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
