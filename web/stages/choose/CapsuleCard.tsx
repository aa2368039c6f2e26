import { Checkbox } from '@mantine/core';
import { clocking, type TwinClocking, twinClocking, wallMark } from '../../../core/capsule/clocking.ts';
import { baseRecord } from '../../../core/catalogue/bases.ts';
import { regionRule } from '../../../core/catalogue/regions.ts';
import { sourceWords } from '../../../core/formatting/source.ts';
import { centimetres, distance, length } from '../../../core/formatting/units.ts';
import type { CapsuleLight, CapsuleRecord } from '../../../core/model/job.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Fields } from '../../ui/fields/Fields.tsx';
import type { Field } from '../../ui/fields/field.ts';
import classes from './CapsuleCard.module.css';
import { ClockDial } from './ClockDial.tsx';

const CHECKS = [
  { id: 'tabs', label: 'All locking tabs sit in their slots' },
  { id: 'driver', label: 'The driver box fits inside, clear of the mirror' },
  { id: 'cover', label: 'The dust cover closes with its seal' },
  { id: 'aim', label: 'The beam was checked against a wall, before and after' },
] as const;

const AIM: readonly Field<CapsuleRecord>[] = [
  {
    of: 'number',
    key: 'heightM',
    label: 'Middle of the lamp above the ground',
    unit: 'm',
    min: 0.2,
    max: 4,
    decimals: 2,
    optional: true,
  },
  { of: 'number', key: 'wallM', label: 'Lamp to wall', unit: 'm', min: 1, max: 50, optional: true },
];

const degrees = { of: 'number', unit: '°', min: -180, max: 180, optional: true } as const;
const depth = { of: 'number', unit: 'mm', min: 0, max: 120, optional: true } as const;
const MEASURES: readonly Field<CapsuleLight>[] = [
  {
    ...degrees,
    key: 'filamentDegrees',
    label: 'Plane of the filament',
    description: 'seen from behind, clockwise from upright',
  },
  {
    ...degrees,
    key: 'ledDegrees',
    label: 'Plane of the LED chips',
    description: 'the same way, collar as it came',
  },
  { ...depth, key: 'filamentDepthMm', label: 'Seat to middle of the filament' },
  { ...depth, key: 'ledDepthMm', label: 'Seat to middle of the chips' },
];

/** A capsule's light must sit where the filament sat: angle, depth, seat, cover, aim. */
export function CapsuleCard({ lamp }: { lamp: Lamp }) {
  const { job, edit } = useDesk();
  const record: CapsuleRecord = job.capsules?.[lamp.id] ?? { checked: [] };
  const twin = baseRecord(lamp.base).twin === true;
  const save = (change: Partial<CapsuleRecord>, mergeKey: string) =>
    edit(
      `${lamp.name}: capsule`,
      (draft) => {
        draft.capsules ??= {};
        const next = { ...(draft.capsules[lamp.id] ?? { checked: [] }), ...change };
        for (const [key, value] of Object.entries(change))
          if (value === undefined) delete next[key as keyof CapsuleRecord];
        draft.capsules[lamp.id] = next;
      },
      { mergeKey: `capsule-${lamp.id}-${mergeKey}` },
    );
  const saveLow = (change: Partial<CapsuleLight>, mergeKey: string) =>
    edit(
      `${lamp.name}: capsule`,
      (draft) => {
        // By what is in the store: a quick hand may have typed more since this was drawn.
        draft.capsules ??= {};
        const now = draft.capsules[lamp.id] ?? { checked: [] };
        draft.capsules[lamp.id] = { ...now, low: withoutEmpty({ ...now.low, ...change }) };
      },
      { mergeKey: `capsule-${lamp.id}-low-${mergeKey}` },
    );
  const { heightM, wallM } = record;
  const mark =
    heightM !== undefined && wallM !== undefined ? wallMark(job.vehicle.region, heightM, wallM) : null;
  return (
    <Card title="Capsule: where its light must sit">
      {twin ? (
        <>
          <h4>Dipped beam: it sets the collar</h4>
          <LightMeasures light={record.low ?? {}} save={saveLow} what="low" />
          <h4>Main beam</h4>
          <LightMeasures light={record} save={save} what="high" />
          <p role="status">{togetherWords(twinClocking(record))}</p>
        </>
      ) : (
        <LightMeasures light={record} save={save} what="only" />
      )}
      <div className={classes.checks}>
        {CHECKS.map(({ id, label }) => (
          <Checkbox
            key={id}
            label={label}
            checked={record.checked.includes(id)}
            onChange={(event) => {
              const on = event.currentTarget.checked;
              const checked = record.checked.filter((each) => each !== id);
              save({ checked: on ? [...checked, id] : checked }, id);
            }}
          />
        ))}
      </div>
      <div className={classes.fields}>
        <Fields fields={AIM} record={record} onSave={(key, value) => save({ [key]: value }, key)} />
      </div>
      {mark && (
        <p>
          Cut-off on the wall: {centimetres(mark.dropM)} under the lamp’s middle, so {distance(mark.heightM)}{' '}
          above level ground ({mark.dipPercent} % over {distance(wallM ?? 0, 1)}, computed;{' '}
          {sourceWords(mark.source)}). The plate by the lamp decides.
        </p>
      )}
      <Caution>
        {regionRule(job.vehicle.region, 'retrofit bulbs')?.text} A capsule that dazzles is a danger to others:
        where the beam cannot be brought to its mark, put the filament back.
      </Caution>
    </Card>
  );
}

/** A light without what was taken out of it again. */
function withoutEmpty(light: Partial<CapsuleLight>): CapsuleLight {
  return Object.fromEntries(Object.entries(light).filter(([, value]) => value !== undefined));
}

/** Where one filament sat and its chips sit, and what is left to turn and to move. */
function LightMeasures({
  light,
  save,
  what,
}: {
  light: CapsuleLight;
  save(change: Partial<CapsuleLight>, mergeKey: string): void;
  /** tells the fields of two lights apart, for whoever cannot see them */
  what: 'only' | 'low' | 'high';
}) {
  const { turnDegrees, moveMm, seated } = clocking(light);
  const of = { only: '', low: ', dipped', high: ', main beam' }[what];
  return (
    <>
      <div className={classes.clock}>
        <ClockDial filament={light.filamentDegrees} led={light.ledDegrees} />
        <div className={classes.fields}>
          <Fields
            fields={MEASURES}
            record={light}
            onSave={(key, value) => save({ [key]: value }, key)}
            suffix={of}
          />
        </div>
      </div>
      <p role="status">
        {turnDegrees !== null &&
          (turnDegrees === 0
            ? 'The planes agree: no turn. '
            : `Turn the collar ${Math.abs(turnDegrees).toFixed(0)}° ${turnDegrees > 0 ? 'clockwise' : 'anticlockwise'}, seen from behind. `)}
        {moveMm !== null &&
          (Math.abs(moveMm) < 0.05
            ? 'The depths agree.'
            : `Move the chips ${length(Math.abs(moveMm))} ${moveMm > 0 ? 'into the lamp' : 'towards the seat'}.`)}
        {turnDegrees === null &&
          moveMm === null &&
          'Measure both planes, and both depths, from the same seat.'}
        {seated === true && ` Within what a beam forgives (2° and ${length(0.5)}, common practice).`}
      </p>
    </>
  );
}

/** What one collar does for two beams. */
function togetherWords({ leftDegrees, leftMm, together }: TwinClocking): string {
  if (together === null) return 'Measure both lights: one collar sets them together.';
  if (together) return 'One setting of the collar brings both beams within what they forgive.';
  return `Set for the dipped beam, the main beam is left ${Math.abs(leftDegrees ?? 0).toFixed(0)}° and ${length(Math.abs(leftMm ?? 0))} off: this LED does not sit as the two filaments did.`;
}
