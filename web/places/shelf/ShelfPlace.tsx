import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useDeferredValue, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { shelfCsv } from '../../../core/formats/shelfCsv.ts';
import type { Part } from '../../../core/model/part.ts';
import { db } from '../../store/db.ts';
import { removePart } from '../../store/shelf.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { ImportShelf } from './ImportShelf.tsx';
import { PartForm } from './PartForm.tsx';
import { PartTable } from './PartTable.tsx';
import classes from './Shelf.module.css';
import { tellChange } from './tellChange.ts';

type Loaded = { parts: Part[] } | { trouble: Error };

const BY_CODE = new Intl.Collator();

const KINDS = {
  led: 'LED bulbs',
  'whole-lamp': 'Whole lamps',
  resistor: 'Resistors',
  harness: 'Resistor harnesses',
  flasher: 'Flasher relays',
  decoder: 'Decoders',
  consumable: 'Consumables',
} as const satisfies Record<Part['kind'], string>;

/** What is in stock: search, add, change, take off; the whole as a table in and out. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      return { parts: await db.parts.toArray() };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  const [kind, setKind] = useState<keyof typeof KINDS | ''>('');
  const [search, setSearch] = useSearchParams();
  const query = search.get('q') ?? '';
  const setQuery = (q: string) => setSearch(q === '' ? {} : { q }, { replace: true });
  /** a part being changed, a new one, or none */
  const [form, setForm] = useState<Part | 'new' | null>(null);
  const wanted = useDeferredValue(query.trim().toLowerCase());
  const parts = loaded && 'parts' in loaded ? loaded.parts : [];
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
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  return (
    <div className={classes.place}>
      <div className={classes.head}>
        <h1>Shelf</h1>
        <div className={classes.actions}>
          <Button onClick={() => setForm('new')}>Add a part</Button>
          <ImportShelf parts={parts} />
          <Button
            variant="default"
            disabled={parts.length === 0}
            onClick={() => saveTextFile('vumble-shelf.csv', shelfCsv(parts), 'text/csv')}
          >
            Export CSV
          </Button>
        </div>
      </div>
      {form !== null && (
        <PartForm
          key={form === 'new' ? 'new' : form.id}
          part={form === 'new' ? null : form}
          parts={parts}
          close={() => setForm(null)}
        />
      )}
      <div className={classes.filter}>
        <TextInput
          aria-label="Search the shelf"
          placeholder="Code, name or base"
          value={query}
          onChange={(event) => setQuery(event.currentTarget.value)}
        />
        <NativeSelect
          aria-label="Kind of part"
          value={kind}
          data={[
            { value: '', label: 'Everything' },
            ...Object.entries(KINDS).map(([value, label]) => ({ value, label })),
          ]}
          onChange={(event) => setKind(event.currentTarget.value as keyof typeof KINDS | '')}
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
          change={(part) => {
            setForm(part);
            document.querySelector('main')?.scrollTo({ top: 0 });
          }}
          remove={(part) =>
            removePart(part)
              .then((change) => tellChange(`${part.code} taken off the shelf`, change))
              .catch(tellTrouble)
          }
        />
      )}
    </div>
  );
}
