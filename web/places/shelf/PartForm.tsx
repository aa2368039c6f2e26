import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { fieldText, readQuantity } from '../../../core/formatting/units.ts';
import { type Column, columnsOf, type PartKind } from '../../../core/inventory/columns.ts';
import { idFor, partFromRow, type Row, rowOfPart } from '../../../core/inventory/rows.ts';
import type { Part } from '../../../core/model/part.ts';
import { useDraft } from '../../store/draft.ts';
import { putParts } from '../../store/shelf.ts';
import { Card } from '../../ui/Card.tsx';
import { QuantityInput } from '../../ui/QuantityInput.tsx';
import { QUANTITY_OF } from '../../ui/SavedQuantity.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './Shelf.module.css';
import { tellChange } from './tellChange.ts';

const GROUPS: readonly { id: Column['group']; title: string }[] = [
  { id: 'what', title: 'What it is' },
  { id: 'electric', title: 'Electric' },
  { id: 'light', title: 'Light' },
  { id: 'size', title: 'Size and build' },
  { id: 'shelf', title: 'On the shelf' },
  { id: 'receive', title: 'Looked at when it comes' },
];

const EMPTY: Row = {
  kind: 'led',
  colour: 'amber',
  polarity: 'either',
  ballast: 'series-resistor',
  forward_volts: '6.3',
  at_volts: '12.8',
  supply_low: '10',
  supply_high: '16',
  stock: '0',
};

const NOTHING: Row = {};
const isRow = (raw: unknown): raw is Row =>
  typeof raw === 'object' && raw !== null && Object.values(raw).every((each) => typeof each === 'string');

/** One part as a form. The same columns as the table: what one takes, the other takes. */
export function PartForm({
  part,
  parts,
  close,
}: {
  part: Part | null;
  parts: readonly Part[];
  close(): void;
}) {
  // What was typed alone: of all else the part may have been changed since.
  const [typed, setTyped, forget, isTyped] = useDraft<Row>(`part-${part?.id ?? 'new'}`, NOTHING, isRow);
  const [found] = useState(isTyped);
  const row = { ...(part ? rowOfPart(part) : EMPTY), ...typed };
  const [problems, setProblems] = useState<Readonly<Record<string, string>>>({});
  const [busy, setBusy] = useState(false);
  const kind = (row.kind ?? 'led') as PartKind;
  const columns = columnsOf(kind);
  const set = (name: string, value: string) => {
    setTyped((now) => ({ ...now, [name]: value }));
    setProblems(({ [name]: _, ...others }) => others);
  };
  const leave = () => {
    forget();
    close();
  };
  const save = () => {
    if (busy) return;
    const code = (row.code ?? '').trim();
    const same = parts.find((each) => each.kind === kind && each.code === code && each.id !== part?.id);
    if (same) {
      setProblems({ code: `${code} is on the shelf already. Change that one, or give this another code.` });
      return;
    }
    let id = part?.id ?? idFor(kind, code);
    for (let count = 2; part === null && parts.some((each) => each.id === id); count += 1)
      id = `${idFor(kind, code).slice(0, 60)}-${count}`;
    const result = partFromRow(row, id);
    if (!result.ok) {
      setProblems(Object.fromEntries(result.problems.map((each) => [each.column, each.text])));
      return;
    }
    setBusy(true);
    putParts([result.part])
      .then((change) => {
        tellChange(part ? `${code} changed` : `${code} is on the shelf`, change);
        leave();
      })
      .catch((error: Error) => {
        setBusy(false);
        tellTrouble(error);
      });
  };
  const shown = new Set(columns.map((column) => column.name));
  const general = Object.entries(problems).filter(([name]) => !shown.has(name));
  return (
    <Card heading="h2" title={part ? `Change ${part.code}` : 'A new part'}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        {found && (
          <p className={`faint ${classes.asLeft}`} role="status">
            As you left it: what you typed is not on the shelf yet.
          </p>
        )}
        {GROUPS.map(({ id, title }) => {
          const fields = columns.filter((column) => column.group === id);
          return (
            fields.length > 0 && (
              <fieldset key={id} className={classes.group}>
                <legend>{title}</legend>
                {fields.map((column) => (
                  <Field
                    key={column.name}
                    column={column}
                    value={row[column.name] ?? ''}
                    error={problems[column.name]}
                    // A part in use keeps its kind: jobs count on it.
                    disabled={column.name === 'kind' && part !== null}
                    set={(value) => set(column.name, value)}
                  />
                ))}
              </fieldset>
            )
          );
        })}
        {general.map(([name, text]) => (
          <p key={name} className={classes.wrong} role="alert">
            {text}
          </p>
        ))}
        <div className={classes.actions}>
          <Button type="submit" loading={busy}>
            {part ? 'Save the change' : 'Put it on the shelf'}
          </Button>
          <Button variant="default" onClick={leave}>
            Leave it
          </Button>
        </div>
      </form>
    </Card>
  );
}

function Field({
  column,
  value,
  error,
  disabled,
  set,
}: {
  column: Column;
  value: string;
  error: string | undefined;
  disabled: boolean;
  set(value: string): void;
}) {
  const quantity = column.unit === undefined ? undefined : QUANTITY_OF[column.unit];
  // What was typed for a length stands as it was typed; what is kept is millimetres.
  const [typed, setTyped] = useState(() =>
    quantity && value !== '' && Number.isFinite(Number(value)) ? fieldText(quantity, Number(value)) : value,
  );
  const label = `${column.label}${column.unit && !quantity ? `, ${column.unit}` : ''}`;
  const choices = column.type === 'yes-no' ? ['yes', 'no'] : column.choices;
  const shared = {
    label,
    value,
    error,
    disabled,
    withAsterisk: column.required === true,
    description: column.hint,
  };
  if (choices)
    return (
      <NativeSelect
        {...shared}
        data={column.required && value !== '' ? [...choices] : ['', ...choices]}
        onChange={(event) => set(event.currentTarget.value)}
      />
    );
  if (quantity)
    return (
      <QuantityInput
        {...shared}
        quantity={quantity}
        value={typed}
        onText={(text) => {
          setTyped(text);
          set(text.trim() === '' ? '' : String(readQuantity(quantity, text) ?? text));
        }}
      />
    );
  return (
    <TextInput
      {...shared}
      maxLength={column.name === 'sections' ? 600 : 160}
      inputMode={column.type === 'number' ? 'decimal' : 'text'}
      onChange={(event) => set(event.currentTarget.value)}
    />
  );
}
