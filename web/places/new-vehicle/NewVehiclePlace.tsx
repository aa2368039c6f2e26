import { Button, Checkbox, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { z } from 'zod';
import { SystemVolts } from '../../../core/model/fields.ts';
import { FlasherKind } from '../../../core/model/vehicle/flasher.ts';
import { VehicleKind } from '../../../core/model/vehicle/vehicle.ts';
import { usualFlasher } from '../../../core/presets/flashers.ts';
import {
  type LayoutEntry,
  layoutEntries,
  startingVehicle,
  usualSharing,
  usualVolts,
} from '../../../core/presets/startingLayout.ts';
import { kindName } from '../../../core/presets/vehicleKinds.ts';
import { TEMPLATES } from '../../../core/vehicle/edit/lampTemplates.ts';
import { FLASHER_OPTIONS } from '../../../core/words/questions.ts';
import { useDraft } from '../../store/draft.ts';
import { startJob } from '../../store/jobs.ts';
import { Card } from '../../ui/Card.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './NewVehicle.module.css';
import { PlanSketch } from './PlanSketch.tsx';

const FIRST_YEAR = 1920;
const LAST_YEAR = 2100;

const Said = z.object({
  kind: VehicleKind,
  name: z.string().max(160),
  /** as it is typed */
  year: z.string().max(40),
  region: z.enum(['UN', 'US']),
  traffic: z.enum(['left', 'right']).nullable(),
  volts: SystemVolts.nullable(),
  flasher: FlasherKind.nullable(),
  /** what was ticked against the usual, by key */
  ticks: z.record(z.string(), z.boolean()),
  /** what was said of bulbs that do two things, where it is not as usual */
  shares: z.object({ frontTwin: z.boolean().optional(), rearStop: z.boolean().optional() }),
});
type Said = z.infer<typeof Said>;
const FRESH: Said = {
  kind: 'car',
  name: '',
  year: '2005',
  region: 'UN',
  traffic: null,
  volts: null,
  flasher: null,
  ticks: {},
  shares: {},
};

const isSaid = (raw: unknown): raw is Said => Said.safeParse(raw).success;

/** A vehicle nobody has entered yet: kind, age and market give a starting layout, the rest is corrected on the plan. */
export function Component() {
  const navigate = useNavigate();
  const [said, set, forget, isTyped] = useDraft('new-vehicle', FRESH, isSaid);
  const { kind, name, year, region, traffic, volts, flasher, ticks, shares } = said;
  const say = (more: Partial<Said>) => set((now) => ({ ...now, ...more }));
  const [busy, setBusy] = useState(false);

  const yearNumber = Number(year);
  const yearFits = Number.isInteger(yearNumber) && yearNumber >= FIRST_YEAR && yearNumber <= LAST_YEAR;
  const about = { kind, year: yearFits ? yearNumber : 2005, region, traffic: traffic ?? undefined };
  const systemVolts = volts ?? usualVolts(kind, about.year);
  const offered = layoutEntries(about);
  const ticked = (entry: LayoutEntry) => ticks[keyOf(entry)] ?? entry.usual;
  const entries = offered.filter(ticked);
  const turning = entries.some((entry) => entry.id === 'front-turn' || entry.id === 'rear-turn');
  const has = (id: LayoutEntry['id']) => entries.some((entry) => entry.id === id);
  const sharing = { ...usualSharing(about), ...shares };
  const frontTwin = has('front-turn') && sharing.frontTwin;
  const rearStop = has('stop-tail') && sharing.rearStop;
  const usual = usualFlasher({ ...about, systemVolts });
  // biome-ignore lint/correctness/useExhaustiveDependencies: ticks and kind decide the entries
  const vehicle = useMemo(
    () =>
      turning
        ? startingVehicle('sketch', {
            ...about,
            systemVolts,
            name,
            model: name,
            entries,
            flasher,
            frontTwin,
            rearStop,
          })
        : null,
    [kind, about.year, region, traffic, systemVolts, ticks, flasher, name, turning, frontTwin, rearStop],
  );
  const start = () => {
    if (!vehicle || busy || !yearFits || name.trim() === '') return;
    setBusy(true);
    const title = name.trim();
    startJob(randomId('job-'), title, { ...vehicle, id: randomId('vehicle-'), name: title, model: title })
      .then((id) => {
        forget();
        navigate(`/jobs/${id}/vehicle`);
      })
      .catch((error: Error) => {
        setBusy(false);
        tellTrouble(error);
      });
  };
  return (
    <form
      className={classes.place}
      onSubmit={(event) => {
        event.preventDefault();
        start();
      }}
    >
      <div className={classes.head}>
        <h1>New vehicle</h1>
        <p>
          A starting layout, as most of its kind, age and market are. Everything can be corrected on the plan
          afterwards.
        </p>
      </div>
      <div className={classes.columns}>
        <div className={classes.column}>
          <Card heading="h2" title="What it is">
            <div className={classes.fields}>
              <TextInput
                label="Name"
                description="Model and what it is used as: how you will find it again."
                placeholder="Model and use"
                required
                maxLength={160}
                value={name}
                onChange={(event) => say({ name: event.currentTarget.value })}
              />
              <div className={classes.two}>
                <NativeSelect
                  label="Kind"
                  value={kind}
                  data={VehicleKind.options.map((each) => ({ value: each, label: kindName(each) }))}
                  onChange={(event) => {
                    const chosen = VehicleKind.options.find((each) => each === event.currentTarget.value);
                    if (!chosen) return;
                    say({ kind: chosen, shares: {}, volts: null, ticks: {} });
                  }}
                />
                <NumberInput
                  label="Year"
                  value={year}
                  min={FIRST_YEAR}
                  max={LAST_YEAR}
                  clampBehavior="none"
                  allowDecimal={false}
                  allowNegative={false}
                  error={yearFits ? undefined : `Type a year from ${FIRST_YEAR} to ${LAST_YEAR}`}
                  onChange={(next) => say({ year: String(next) })}
                />
                <NativeSelect
                  label="Market"
                  description="Decides bulbs, colours and rules."
                  value={region}
                  data={[
                    { value: 'UN', label: 'UN regulations' },
                    { value: 'US', label: 'North America' },
                  ]}
                  onChange={(event) => {
                    const chosen = event.currentTarget.value === 'US' ? 'US' : 'UN';
                    say({ region: chosen, shares: {}, ticks: {} });
                  }}
                />
                <NativeSelect
                  label="Traffic keeps"
                  description="Where a single fog or reverse lamp is."
                  value={traffic ?? ''}
                  data={[
                    { value: '', label: 'Don’t know yet' },
                    { value: 'right', label: 'right' },
                    { value: 'left', label: 'left' },
                  ]}
                  onChange={(event) => {
                    const { value } = event.currentTarget;
                    say({ traffic: value === 'left' || value === 'right' ? value : null, ticks: {} });
                  }}
                />
                <NativeSelect
                  label="System"
                  description={`Usual for these: ${usualVolts(kind, about.year)} V.`}
                  value={String(systemVolts)}
                  data={['6', '12', '24'].map((each) => ({ value: each, label: `${each} V` }))}
                  onChange={(event) => {
                    const chosen = ([6, 12, 24] as const).find(
                      (each) => String(each) === event.currentTarget.value,
                    );
                    if (chosen) say({ volts: chosen });
                  }}
                />
              </div>
              <NativeSelect
                label="What makes the turn lamps flash"
                description={flasher === null ? usual.why : undefined}
                value={flasher ?? ''}
                data={[
                  {
                    value: '',
                    label: `Don’t know yet: ${FLASHER_OPTIONS.find((each) => each.value === usual.kind)?.label.toLowerCase()}`,
                  },
                  ...FLASHER_OPTIONS,
                ]}
                onChange={(event) =>
                  say({
                    flasher:
                      FLASHER_OPTIONS.find((each) => each.value === event.currentTarget.value)?.value ?? null,
                  })
                }
              />
            </div>
          </Card>
          <Card heading="h2" title={`Lamps: ${vehicle?.lamps.length ?? 0}`}>
            <div className={classes.lamps}>
              {offered.map((entry) => (
                <Checkbox
                  key={keyOf(entry)}
                  label={`${TEMPLATES[entry.id].name}${entry.where === 'pair' ? ', a pair' : entry.where === 'centre' ? '' : `, one on the ${entry.where}`}`}
                  checked={ticked(entry)}
                  onChange={(event) => {
                    const { checked } = event.currentTarget;
                    set((now) => ({ ...now, ticks: { ...now.ticks, [keyOf(entry)]: checked } }));
                  }}
                />
              ))}
            </div>
            <div className={classes.shares}>
              {has('front-turn') && (
                <Checkbox
                  label="The front turn bulb is the position lamp too"
                  description="One bulb with two filaments, or a dim and a bright level."
                  checked={frontTwin}
                  onChange={(event) => say({ shares: { ...shares, frontTwin: event.currentTarget.checked } })}
                />
              )}
              {has('stop-tail') && (
                <Checkbox
                  label="The rear turn bulb is the stop lamp too"
                  description="Red at the rear: the brake lights what the turn switch flashes."
                  checked={rearStop}
                  onChange={(event) => say({ shares: { ...shares, rearStop: event.currentTarget.checked } })}
                />
              )}
            </div>
            {!turning && (
              <p className={classes.wrong} role="alert">
                Tick front or rear turn lamps: what flashes is what the verdict is about.
              </p>
            )}
          </Card>
          <div className={classes.actions}>
            <Button type="submit" loading={busy} disabled={!vehicle || !yearFits || name.trim() === ''}>
              Start the job on it
            </Button>
            <Button component={Link} to="/jobs" variant="default">
              Back to jobs
            </Button>
            {isTyped && (
              <Button
                variant="subtle"
                onClick={() => {
                  forget();
                  offerUndo('The form is empty again', async () => set(said));
                }}
              >
                Start afresh
              </Button>
            )}
            {name.trim() === '' && <span className="faint">Give it a name first.</span>}
          </div>
        </div>
        {vehicle && <PlanSketch vehicle={vehicle} />}
      </div>
    </form>
  );
}

function keyOf({ id, where }: LayoutEntry): string {
  return `${id} ${where}`;
}
