import { MantineProvider } from '@mantine/core';
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, it } from 'vitest';
import { Fields } from './Fields.tsx';
import { type Field, namedOptions, putField } from './field.ts';

interface Plug {
  where: string;
  count: number;
  lengthMm?: number;
  seal?: 'grey' | 'blue';
  note?: string;
  locked?: boolean;
}

const FIELDS: readonly Field<Plug>[] = [
  { of: 'words', key: 'where', label: 'Where' },
  { of: 'number', key: 'count', label: 'How many', unit: '', min: 1, max: 60, decimals: 0 },
  { of: 'number', key: 'lengthMm', label: 'Length', unit: 'mm', min: 1, max: 300, optional: true },
  {
    of: 'choice',
    key: 'seal',
    label: 'Seal',
    open: 'don’t know yet',
    options: namedOptions({ grey: 'a grey one', blue: 'a blue one' }),
  },
  { of: 'words', key: 'note', label: 'Note', optional: true },
  { of: 'tick', key: 'locked', label: 'locked' },
];

const FULL: Plug = { where: 'behind', count: 2, lengthMm: 30, seal: 'grey', note: 'stiff', locked: true };

function form(): { now(): Plug } {
  let held: Plug = FULL;
  function Form() {
    const [plug, setPlug] = useState(FULL);
    return (
      <Fields
        fields={FIELDS}
        record={plug}
        suffix=" (left)"
        onSave={(key, value) => {
          held = { ...held };
          putField(held, key, value);
          setPlug(held);
        }}
      />
    );
  }
  render(
    <MantineProvider>
      <Form />
    </MantineProvider>,
  );
  return { now: () => held };
}

const field = (label: string) => screen.getByLabelText(`${label} (left)`);
const type = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });

it('a form by its description shows what is there, and saves each field by itself as it is typed', () => {
  const { now } = form();
  expect((field('Where') as HTMLInputElement).value).toBe('behind');
  expect((field('Seal') as HTMLSelectElement).selectedOptions[0]?.text).toBe('a grey one');
  type('Where', 'on top');
  type('How many', '7');
  fireEvent.input(field('Length'), { target: { value: '12,5 mm' } });
  type('Seal', 'blue');
  expect(now()).toEqual({ ...FULL, where: 'on top', count: 7, lengthMm: 12.5, seal: 'blue' });
});

it('empty is an answer where a field may be missing: its key goes, and no other', () => {
  const { now } = form();
  type('Length', '');
  type('Seal', '');
  type('Note', '');
  fireEvent.click(field('locked'));
  expect(now()).toEqual({ where: 'behind', count: 2 });
  // What must be there is saved empty as words, and not at all as a number.
  type('Where', '');
  type('How many', '');
  expect(now()).toEqual({ where: '', count: 2 });
});

it('what is out of its limits is not saved, and the field says what to type', () => {
  const { now } = form();
  type('How many', '61');
  type('Length', '0');
  expect(now()).toEqual(FULL);
  expect(screen.getByText('Type a number from 1 to 60')).toBeTruthy();
  expect(
    screen.getByText('Type a figure from 1 to 300 mm, or with its unit: 3/8 in; or leave it empty'),
  ).toBeTruthy();
});
