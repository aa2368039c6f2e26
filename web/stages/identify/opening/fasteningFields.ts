import { CATCHES, EDGES, FASTENERS, type Fastening, PULLS } from '../../../../core/model/vehicle/opening.ts';
import { type Field, plainOptions } from '../../../ui/fields/field.ts';

type Kind = Fastening['kind'];
type Counted = Extract<Fastening, { count: number }>;

const COUNT: Field<Counted> = {
  of: 'number',
  key: 'count',
  label: 'How many',
  unit: '',
  min: 1,
  max: 60,
  decimals: 0,
};
const pulled = (label: string) =>
  ({ of: 'choice', key: 'pull', label, options: plainOptions(PULLS) }) as const;
const where = (placeholder: string) => ({ of: 'words', key: 'where', label: 'Where', placeholder }) as const;

/** What is said of one thing that holds, by what it is. */
export const FASTENING_FIELDS: { readonly [K in Kind]: readonly Field<Extract<Fastening, { kind: K }>>[] } = {
  fastener: [
    { of: 'choice', key: 'what', label: 'What', options: plainOptions(FASTENERS) },
    { of: 'words', key: 'size', label: 'Size', placeholder: 'cross-head, T20, 10 mm' },
    COUNT,
    { of: 'number', key: 'lengthMm', label: 'Length', unit: 'mm', min: 1, max: 300, optional: true },
    where('at the top'),
    { of: 'tick', key: 'washer', label: 'with washers' },
  ],
  clip: [
    { of: 'choice', key: 'edge', label: 'Clips at the edge', options: plainOptions(EDGES) },
    COUNT,
    pulled('Pulled'),
  ],
  'guide-pin': [COUNT, pulled('Guide pins, pulled')],
  plug: [
    { of: 'choice', key: 'catch', label: 'Plug, its catch', options: plainOptions(CATCHES) },
    COUNT,
    where('behind the lamp'),
  ],
  piece: [
    { of: 'words', key: 'what', label: 'Comes off', placeholder: 'dust cover, bulb holder' },
    { of: 'words', key: 'how', label: 'How', placeholder: 'turn it anticlockwise' },
  ],
};
