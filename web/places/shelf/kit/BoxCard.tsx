import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { idOf } from '../../../../core/formats/kitCells.ts';
import type { KitItem, KitSheet } from '../../../../core/model/kit.ts';
import { db } from '../../../store/db.ts';
import { Card } from '../../../ui/Card.tsx';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import type { ChangeSheet } from './changeSheet.ts';
import classes from './Kit.module.css';

/** What is in the box: parts with how many, resistors with what is printed on them, and the plugs. */
export function BoxCard({ sheet, change }: { sheet: KitSheet; change: ChangeSheet }) {
  const lamps = useLiveQuery(() => db.parts.where('kind').anyOf(['whole-lamp', 'led']).toArray(), []) ?? [];
  const item = (id: string, act: (item: KitItem) => void) =>
    change((draft) => {
      const found = draft.items.find((each) => each.id === id);
      if (found) act(found);
    });
  return (
    <Card title="In the box">
      {sheet.items.map(({ id, what, count, resistor, partId }) => (
        <div key={id} className={classes.row}>
          <TextInput
            label="Part"
            value={what}
            error={what.trim() === '' ? 'Write what it is.' : undefined}
            maxLength={160}
            onChange={(event) => {
              const text = event.currentTarget.value;
              item(id, (each) => void (each.what = text));
            }}
          />
          <DecimalInput
            label="How many"
            min={1}
            max={200}
            allowDecimal={false}
            clampBehavior="none"
            value={count}
            onChange={(next) => {
              const pieces = Number(next);
              if (Number.isInteger(pieces) && pieces >= 1 && pieces <= 200)
                item(id, (each) => void (each.count = pieces));
            }}
          />
          <NativeSelect
            label="It is"
            value={resistor ? 'resistor' : (partId ?? '')}
            data={[
              { value: '', label: 'no lamp, no resistor' },
              { value: 'resistor', label: 'a load resistor' },
              ...lamps.map((part) => ({ value: part.id, label: `${part.code}, ${part.name}` })),
            ]}
            onChange={(event) => {
              const { value } = event.currentTarget;
              item(id, (each) => {
                delete each.resistor;
                delete each.partId;
                if (value === 'resistor') each.resistor = { ohms: 6, watts: 50, tolerance: 0.05 };
                else if (value !== '') each.partId = value;
              });
            }}
          />
          {resistor && (
            <>
              <DecimalInput
                label="Ω"
                value={resistor.ohms}
                min={0}
                onChange={(next) => {
                  const value = Number(next);
                  if (value > 0) item(id, (each) => void (each.resistor && (each.resistor.ohms = value)));
                }}
              />
              <DecimalInput
                label="W"
                value={resistor.watts}
                min={0}
                onChange={(next) => {
                  const value = Number(next);
                  if (value > 0 && value <= 1000)
                    item(id, (each) => void (each.resistor && (each.resistor.watts = value)));
                }}
              />
            </>
          )}
          <Button
            variant="subtle"
            aria-label={`Out of the box: ${what}`}
            onClick={() =>
              change((draft) => {
                draft.items = draft.items.filter((each) => each.id !== id);
                for (const variant of draft.variants)
                  variant.uses = variant.uses.filter(({ itemId }) => itemId !== id);
              })
            }
          >
            Remove
          </Button>
        </div>
      ))}
      <Button
        variant="default"
        onClick={() =>
          change((draft) => {
            const taken = new Set(draft.items.map(({ id }) => id));
            draft.items.push({ id: idOf('item', taken), what: `Part ${draft.items.length + 1}`, count: 1 });
          })
        }
      >
        Add a part
      </Button>
      <h4 className={classes.sub}>Plugs</h4>
      {sheet.plugs.map(({ id, what }) => (
        <div key={id} className={classes.row}>
          <TextInput
            label="Plug"
            value={what}
            error={what.trim() === '' ? 'Write what it is called.' : undefined}
            maxLength={160}
            onChange={(event) => {
              const text = event.currentTarget.value;
              change((draft) => {
                const plug = draft.plugs.find((each) => each.id === id);
                if (plug) plug.what = text;
              });
            }}
          />
          <Button
            variant="subtle"
            aria-label={`Remove plug ${what}`}
            onClick={() =>
              change((draft) => {
                draft.plugs = draft.plugs.filter((each) => each.id !== id);
                for (const variant of draft.variants) {
                  variant.used = variant.used.filter((each) => each !== id);
                  variant.capped = variant.capped.filter((each) => each !== id);
                }
              })
            }
          >
            Remove
          </Button>
        </div>
      ))}
      <Button
        variant="default"
        onClick={() =>
          change((draft) => {
            const taken = new Set(draft.plugs.map(({ id }) => id));
            draft.plugs.push({ id: idOf('plug', taken), what: `Plug ${draft.plugs.length + 1}` });
          })
        }
      >
        Add a plug
      </Button>
    </Card>
  );
}
