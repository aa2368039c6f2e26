import { Button, NativeSelect, TextInput } from '@mantine/core';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { shelfCsv } from '../../../core/formats/shelfCsv.ts';
import { reservedPieces } from '../../../core/inventory/stock.ts';
import type { KitPart, Part } from '../../../core/model/part.ts';
import { removeParts } from '../../store/shelf.ts';
import type { ShelfStock } from '../../store/stock.ts';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { ImportShelf } from './ImportShelf.tsx';
import { PartForm } from './PartForm.tsx';
import { PartTable } from './PartTable.tsx';
import classes from './Shelf.module.css';
import { StockDialog } from './stock/StockDialog.tsx';
import { tellChange } from './tellChange.ts';

const KitSheetEditor = lazy(() =>
  import('./kit/KitSheetEditor.tsx').then((script) => ({ default: script.KitSheetEditor })),
);

const BY_CODE = new Intl.Collator();

const KINDS = {
  led: 'LED bulbs',
  'whole-lamp': 'Whole lamps',
  kit: 'Kits',
  resistor: 'Resistors',
  harness: 'Resistor harnesses',
  flasher: 'Flasher relays',
  decoder: 'Decoders',
  consumable: 'Consumables',
} as const satisfies Record<Part['kind'], string>;

/** The parts: search, add, change, count, take off; the whole as a table in and out. */
export function PartsView({ parts, stock }: ShelfStock) {
  const [search, setSearch] = useSearchParams();
  const query = search.get('q') ?? '';
  const asked = search.get('kind') ?? '';
  const kind = asked in KINDS ? (asked as Part['kind']) : '';
  const put = (name: 'q' | 'kind', value: string) =>
    setSearch(
      (now) => {
        if (value === '') now.delete(name);
        else now.set(name, value);
        return now;
      },
      { replace: true },
    );
  /** a part being changed, a new one, or none */
  const [form, setForm] = useState<Part | 'new' | null>(null);
  const [counting, setCounting] = useState<Part | null>(null);
  const [sheetOf, setSheetOf] = useState<string | null>(null);
  const kit = parts.find((part): part is KitPart => part.kind === 'kit' && part.id === sheetOf);
  const wanted = useDeferredValue(query.trim().toLowerCase());
  const found = useMemo(
    () =>
      parts
        .filter(
          (part) =>
            (kind === '' || part.kind === kind) &&
            (wanted === '' ||
              `${part.code} ${part.name} ${part.kind === 'led' ? part.bases.join(' ') : ''}`
                .toLowerCase()
                .includes(wanted)),
        )
        .toSorted((a, b) => BY_CODE.compare(a.code, b.code)),
    [parts, kind, wanted],
  );
  const remove = (gone: readonly Part[]) =>
    removeParts(gone)
      .then((change) =>
        tellChange(
          gone.length === 1 ? `${gone[0]?.code} taken off the shelf` : `${gone.length} parts taken off`,
          change,
        ),
      )
      .catch(tellTrouble);
  return (
    <>
      <div className={classes.actions}>
        <Button onClick={() => setForm('new')}>Add a part</Button>
        <ImportShelf parts={parts} />
        <Button
          variant="default"
          disabled={parts.length === 0}
          onClick={() =>
            saveTextFile(
              'vumble-shelf.csv',
              shelfCsv(parts, (id) => reservedPieces(stock.get(id))),
              'text/csv',
            )
          }
        >
          Export CSV
        </Button>
      </div>
      {form !== null && (
        <PartForm
          key={form === 'new' ? 'new' : form.id}
          part={form === 'new' ? null : form}
          parts={parts}
          close={() => setForm(null)}
        />
      )}
      {kit && (
        <Suspense fallback={null}>
          <KitSheetEditor key={kit.id} part={kit} close={() => setSheetOf(null)} />
        </Suspense>
      )}
      {counting && (
        <StockDialog
          part={parts.find(({ id }) => id === counting.id) ?? counting}
          stock={stock.get(counting.id)}
          close={() => setCounting(null)}
        />
      )}
      <div className={classes.filter}>
        <TextInput
          aria-label="Search the shelf"
          placeholder="Code, name or base"
          value={query}
          onChange={(event) => put('q', event.currentTarget.value)}
        />
        <NativeSelect
          aria-label="Kind of part"
          value={kind}
          data={[
            { value: '', label: 'Everything' },
            ...Object.entries(KINDS).map(([value, label]) => ({ value, label })),
          ]}
          onChange={(event) => put('kind', event.currentTarget.value)}
        />
        <span className="faint" role="status">
          {found.length} of {parts.length} parts
        </span>
      </div>
      {parts.length === 0 ? (
        <p>The shelf is empty. Add a part, or import a table.</p>
      ) : (
        <PartTable
          key={`${kind} ${wanted}`}
          parts={found}
          stock={stock}
          change={(part) => {
            setForm(part);
            document.querySelector('main')?.scrollTo({ top: 0 });
          }}
          remove={remove}
          count={setCounting}
          sheet={({ id }) => {
            setSheetOf(id);
            document.querySelector('main')?.scrollTo({ top: 0 });
          }}
        />
      )}
    </>
  );
}
