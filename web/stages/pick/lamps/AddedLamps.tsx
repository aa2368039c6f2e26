import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { AMPACITY_SOURCE } from '../../../../core/catalogue/ampacity.ts';
import { amps, volts } from '../../../../core/formatting/format.ts';
import { sourceWords } from '../../../../core/formatting/source.ts';
import { distance, fieldText, readQuantity, wire } from '../../../../core/formatting/units.ts';
import type { Lamp } from '../../../../core/model/vehicle/lamp.ts';
import { circuitsOf } from '../../../../core/model/vehicle/lookUp.ts';
import {
  addNewLamp,
  dropNewLamp,
  feedFor,
  feedOfNewLamp,
  type NewLamp,
} from '../../../../core/vehicle/edit/addedLamps.ts';
import { type LampTemplateId, TEMPLATES } from '../../../../core/vehicle/edit/lampTemplates.ts';
import type { NewFeed } from '../../../../core/vehicle/newFeed.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import { price } from '../../../ui/money.ts';
import { QuantityInput } from '../../../ui/QuantityInput.tsx';
import classes from './Lamps.module.css';

/** What is added beside what a vehicle has (common practice): each hangs on a feed that is there. */
const OFFERED: readonly LampTemplateId[] = [
  'reverse',
  'rear-fog',
  'front-fog',
  'third-brake',
  'marker',
  'work',
  'beacon',
  'load-area',
  'interior',
];

interface Wanted {
  templateId: LampTemplateId;
  name: string;
  side: Lamp['side'];
  watts: number | string;
  feed: NewLamp['feed'];
  /** as it is typed */
  wire: string;
  drilled: boolean;
  price: number | string;
}

const BLANK: Wanted = {
  templateId: 'reverse',
  name: '',
  side: 'centre',
  watts: '',
  feed: 'existing',
  wire: '',
  drilled: true,
  price: '',
};

/** Lamps this job adds: what they hang on, which wire and fuse, and a form for another. */
export function AddedLamps() {
  const { job, edit } = useDesk();
  const { vehicle } = job;
  const added = vehicle.lamps.filter((lamp) => lamp.added);
  const form = useForm<Wanted>({
    initialValues: { ...BLANK, wire: fieldText('distance', 3) },
    validate: {
      name: (value) => (value.trim() === '' ? 'Write what it is called: reversing bar.' : null),
      watts: (value) => inRange(value, 0.1, 500, 'W, as printed on it'),
      wire: (value) => {
        const metres = readQuantity('distance', value);
        return metres !== null && metres >= 0.2 && metres <= 30
          ? null
          : `Type the wire from the feed to the lamp, ${distance(0.2)} to ${distance(30)}.`;
      },
      price: (value) => (value === '' ? null : inRange(value, 0, 100_000, 'in the shop’s currency')),
    },
  });
  const { values } = form;
  const kind = TEMPLATES[values.templateId].works[0]?.kind;
  const source = kind && feedFor(vehicle, kind, values.side);
  const metres = readQuantity('distance', values.wire) ?? 0;
  const ready = Number(values.watts) > 0 && metres > 0 && kind !== undefined;
  const size = ready
    ? feedOfNewLamp(vehicle, kind, {
        watts: Number(values.watts),
        lengthM: metres,
        feed: values.feed,
        side: values.side,
      })
    : null;
  const add = (wanted: Wanted) => {
    edit(`Added: ${wanted.name.trim()}`, (draft) => {
      const { price: cost, wire: typed, ...rest } = wanted;
      addNewLamp(draft, {
        ...rest,
        name: rest.name.trim(),
        watts: Number(rest.watts),
        lengthM: readQuantity('distance', typed) ?? 0,
        ...(cost === '' ? {} : { price: Number(cost) }),
      });
    });
    form.reset();
  };
  return (
    <Card title="Added lamps">
      {added.map((lamp) => (
        <AddedRow key={lamp.id} lamp={lamp} />
      ))}
      <form className={classes.form} onSubmit={form.onSubmit(add)} noValidate>
        <NativeSelect
          label="Lamp"
          data={OFFERED.map((id) => ({ value: id, label: TEMPLATES[id].listed ?? TEMPLATES[id].name }))}
          {...form.getInputProps('templateId')}
        />
        <TextInput
          label="Called"
          placeholder="reversing bar"
          maxLength={120}
          {...form.getInputProps('name')}
        />
        <NativeSelect
          label="Where across"
          data={[
            { value: 'left', label: 'left' },
            { value: 'centre', label: 'middle' },
            { value: 'right', label: 'right' },
          ]}
          {...form.getInputProps('side')}
        />
        <DecimalInput label="Printed, W" min={0} decimalScale={1} {...form.getInputProps('watts')} />
        <QuantityInput
          quantity="distance"
          label="Wire to it"
          value={values.wire}
          error={form.errors.wire}
          onText={(text) => form.setFieldValue('wire', text)}
        />
        <NativeSelect
          label="Fed by"
          data={[
            { value: 'existing', label: 'the feed that is there' },
            { value: 'relay', label: 'a new relay with its own fuse' },
          ]}
          {...form.getInputProps('feed')}
        />
        <DecimalInput label="Price, where known" min={0} decimalScale={2} {...form.getInputProps('price')} />
        <Checkbox
          label="A hole is drilled for its wire"
          {...form.getInputProps('drilled', { type: 'checkbox' })}
        />
        <div className={classes.sized}>
          {!source && kind && (
            <p role="status">
              This vehicle has no {TEMPLATES[values.templateId].name.toLowerCase()} feed: add its circuit on
              the vehicle screen first.
            </p>
          )}
          {source && size && <SizeWords size={size} feed={values.feed} from={source.name} />}
        </div>
        <Button type="submit" disabled={!source}>
          Add it to this job
        </Button>
      </form>
      <Caution>
        No drilling blind: look what lies behind, above all the tank, looms and airbags. Never a larger fuse
        on a wire that is there. Added road lamps are regulated in number, place and colour: local rules
        decide.
      </Caution>
    </Card>
  );
}

function inRange(value: number | string, least: number, most: number, what: string): string | null {
  const number = value === '' ? Number.NaN : Number(value);
  return number >= least && number <= most ? null : `Type a number from ${least} to ${most} ${what}.`;
}

function SizeWords({ size, feed, from }: { size: NewFeed; feed: NewLamp['feed']; from: string }) {
  return (
    <p role="status">
      {feed === 'relay'
        ? `Relay worked by ${from}, its own fuse ${size.fuseAmps} A. `
        : `On ${from}, its fuse stays ${size.fuseAmps} A. `}
      Wire <b>{wire(size.areaMm2)}</b>, carries {size.carriesAmps} A, loses {volts(size.dropVolts)} on the
      way; decided by {size.decidedBy === 'fuse' ? 'the fuse it must bear' : 'the volts it may lose (3 %)'}.
      {size.beyond && ' No listed wire is thick enough: put the feed nearer, or split the lamp.'}{' '}
      <span className="faint">{sourceWords(AMPACITY_SOURCE)}</span>
    </p>
  );
}

function AddedRow({ lamp }: { lamp: Lamp }) {
  const { job, edit, board } = useDesk();
  const circuit = circuitsOf(job.vehicle, lamp.id)[0];
  const row = board?.rows.find(({ circuitIds }) => circuit !== undefined && circuitIds.includes(circuit.id));
  return (
    <div className={classes.row}>
      <div>
        <b>{lamp.name}</b>, {amps(lamp.works?.amps ?? 0)} on {circuit?.name ?? 'no feed'}
        {lamp.added?.feed === 'relay' && ' by a relay of its own'}, wire {wire(lamp.lead.areaMm2)},{' '}
        {distance(lamp.lead.lengthM)}
        {lamp.added?.drilled && ', a hole drilled, primed and closed with a grommet'};{' '}
        {price(lamp.added?.price ?? null)}
        <span className="faint">
          {' '}
          {row ? `Judged: ${row.cured.text}` : 'Judged with the rest: nothing minds it.'}
        </span>
      </div>
      <Button
        size="xs"
        variant="subtle"
        aria-label={`Off this job: ${lamp.name}`}
        onClick={() => edit(`Not added: ${lamp.name}`, (draft) => dropNewLamp(draft, lamp.id))}
      >
        Off this job
      </Button>
    </div>
  );
}
