import { Button, SegmentedControl, TextInput } from '@mantine/core';
import { DateInput } from '@mantine/dates';
import '@mantine/dates/styles.layer.css';
import { useForm } from '@mantine/form';
import { freePieces, type PartStock } from '../../../../core/inventory/stock.ts';
import type { Part } from '../../../../core/model/part.ts';
import { useDraft } from '../../../store/draft.ts';
import { move, withdraw } from '../../../store/stock.ts';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import { Dialog } from '../../../ui/Dialog.tsx';
import { today } from '../../../ui/dates.ts';
import { offerUndo } from '../../../ui/offerUndo.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import classes from '../Shelf.module.css';

const ACTS = {
  bought: 'Bought',
  counted: 'Counted',
  'sent-back': 'Sent back',
  scrapped: 'Scrapped',
} as const;
type Act = keyof typeof ACTS;

interface Typed {
  kind: Act;
  pieces: number | string;
  batch: string;
  note: string;
  on: string;
}
const isTyped = (raw: unknown): raw is Typed =>
  typeof raw === 'object' &&
  raw !== null &&
  String((raw as Partial<Typed>).kind) in ACTS &&
  ['pieces', 'batch', 'note', 'on'].every(
    (field) => typeof (raw as Record<string, unknown>)[field] === 'string',
  );

/** Pieces of one part that come or go: each act stands in the movements, and can be taken back. */
export function StockDialog({
  part,
  stock,
  close,
}: {
  part: Part;
  stock: PartStock | undefined;
  close(): void;
}) {
  const [typed, keep, forget] = useDraft<Typed>(
    `stock-${part.id}`,
    { kind: 'bought', pieces: String(part.pack?.pieces ?? ''), batch: '', note: '', on: today() },
    isTyped,
  );
  const form = useForm<Typed>({
    initialValues: typed,
    onValuesChange: (values) => keep({ ...values, pieces: String(values.pieces) }),
    validate: {
      pieces: (value, { kind }) => {
        const pieces = value === '' ? Number.NaN : Number(value);
        return Number.isInteger(pieces) && pieces >= (kind === 'counted' ? 0 : 1) && pieces <= 100_000
          ? null
          : 'Type a whole number of pieces.';
      },
      on: (value) => (value !== null && value <= today() ? null : 'Choose today or a day before.'),
    },
  });
  const { values } = form;
  const leave = () => {
    forget();
    close();
  };
  const save = ({ kind, pieces, batch, note, on }: typeof values) =>
    move(
      [
        {
          kind,
          partId: part.id,
          pieces: Number(pieces),
          ...(batch.trim() ? { batch: batch.trim() } : {}),
          ...(note.trim() ? { note: note.trim() } : {}),
        },
      ],
      on === today() ? undefined : `${on}T12:00:00.000Z`,
    )
      .then((ids) => {
        offerUndo(`${ACTS[kind]}: ${pieces} ${part.code}`, async () => void (await withdraw(ids)));
        leave();
      })
      .catch(tellTrouble);
  return (
    <Dialog title={`Stock of ${part.code}`} onClose={close}>
      <p>
        {part.stock} on the shelf{stock ? `, ${Math.max(0, freePieces(stock))} of them free` : ''}.
        {part.pack && ` Sold in packs of ${part.pack.pieces}.`}
      </p>
      <form onSubmit={form.onSubmit(save)} noValidate>
        <SegmentedControl
          fullWidth
          data={Object.entries(ACTS).map(([value, label]) => ({ value, label }))}
          {...form.getInputProps('kind')}
        />
        <div className={classes.pair}>
          <DecimalInput
            label={values.kind === 'counted' ? 'Pieces that lie there' : 'Pieces'}
            min={0}
            allowDecimal={false}
            {...form.getInputProps('pieces')}
          />
          {values.kind === 'bought' && (
            <TextInput label="Order or batch" maxLength={160} {...form.getInputProps('batch')} />
          )}
          <DateInput label="On" valueFormat="D MMM YYYY" maxDate={today()} {...form.getInputProps('on')} />
          <TextInput label="Note" maxLength={160} {...form.getInputProps('note')} />
        </div>
        <div className={classes.actions}>
          <Button type="submit">Write it down</Button>
          <Button variant="default" onClick={leave}>
            Leave it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
