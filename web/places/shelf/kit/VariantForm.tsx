import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { KitSheet, KitUse, KitVariant } from '../../../../core/model/kit.ts';
import { CircuitKind } from '../../../../core/model/vehicle/circuit.ts';
import { workName } from '../../../../core/vehicle/lampWork.ts';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import { ConditionFields } from './ConditionFields.tsx';
import classes from './Kit.module.css';

type Change = (act: (variant: KitVariant) => void) => void;

/** One variant: for which vehicles, what it takes out of the box, which plugs, links and modules. */
export function VariantForm({
  sheet,
  variant,
  change,
}: {
  sheet: KitSheet;
  variant: KitVariant;
  change: Change;
}) {
  const same = sheet.variants.some(({ id, name }) => id !== variant.id && name === variant.name);
  return (
    <fieldset className={classes.form}>
      <legend>{variant.name}</legend>
      <TextInput
        label="Called"
        value={variant.name}
        error={
          variant.name.trim() === ''
            ? 'Write what it is called.'
            : same
              ? 'Another variant has that name: give one of them another.'
              : undefined
        }
        maxLength={160}
        onChange={(event) => {
          const text = event.currentTarget.value;
          if (text !== '') change((each) => void (each.name = text));
        }}
      />
      <ConditionFields
        sheet={sheet}
        when={variant.when}
        label={variant.name}
        set={(next) => change((each) => void (each.when = next))}
      />
      <h4 className={classes.sub}>Out of the box</h4>
      {variant.uses.map((use, at) => (
        <UseRow key={at} sheet={sheet} use={use} at={at} change={change} />
      ))}
      <NativeSelect
        aria-label={`${variant.name}: take out of the box`}
        value=""
        data={[
          { value: '', label: 'Take out of the box' },
          ...sheet.items.map(({ id, what }) => ({ value: id, label: what })),
        ]}
        onChange={(event) => {
          const { value } = event.currentTarget;
          const item = sheet.items.find(({ id }) => id === value);
          if (item)
            change((each) => {
              each.uses.push({
                itemId: item.id,
                count: item.count,
                ...(item.resistor ? { across: { does: 'turn' as const, end: 'rear' as const } } : {}),
              });
            });
        }}
      />
      <h4 className={classes.sub}>Plugs</h4>
      <div className={classes.row}>
        {sheet.plugs.map(({ id, what }) => (
          <NativeSelect
            key={id}
            label={what}
            value={variant.used.includes(id) ? 'used' : variant.capped.includes(id) ? 'capped' : ''}
            data={[
              { value: '', label: 'not used' },
              { value: 'used', label: 'plugged in' },
              { value: 'capped', label: 'capped' },
            ]}
            onChange={(event) => {
              const { value } = event.currentTarget;
              change((each) => {
                each.used = each.used.filter((plug) => plug !== id);
                each.capped = each.capped.filter((plug) => plug !== id);
                if (value === 'used') each.used.push(id);
                if (value === 'capped') each.capped.push(id);
              });
            }}
          />
        ))}
      </div>
      <Links variant={variant} change={change} />
      <Phrases
        label="Modules that move over, a semicolon between"
        stored={variant.modules}
        save={(modules) => change((each) => void (each.modules = modules))}
      />
    </fieldset>
  );
}

function UseRow({ sheet, use, at, change }: { sheet: KitSheet; use: KitUse; at: number; change: Change }) {
  const item = sheet.items.find(({ id }) => id === use.itemId);
  const edit = (act: (use: KitUse) => void) =>
    change((each) => {
      const found = each.uses[at];
      if (found) act(found);
    });
  return (
    <div className={classes.row}>
      <DecimalInput
        label={`${item?.what ?? use.itemId}, how many`}
        value={use.count}
        min={1}
        max={200}
        allowDecimal={false}
        clampBehavior="none"
        error={item && use.count > item.count ? `The box holds ${item.count}.` : undefined}
        onChange={(next) => {
          const count = Number(next);
          if (Number.isInteger(count) && count >= 1 && count <= 200)
            edit((each) => void (each.count = count));
        }}
      />
      {(item?.resistor || item?.partId) && (
        <>
          <NativeSelect
            label="Across the lamps for"
            value={use.across?.does ?? ''}
            data={[
              { value: '', label: 'not said' },
              ...CircuitKind.options.map((value) => ({ value, label: workName(value) })),
            ]}
            onChange={(event) => {
              const does = CircuitKind.safeParse(event.currentTarget.value);
              edit((each) => {
                if (does.success) each.across = { ...each.across, does: does.data };
                else delete each.across;
              });
            }}
          />
          {use.across && (
            <NativeSelect
              label="At the"
              value={use.across.end ?? ''}
              data={[
                { value: '', label: 'whole vehicle, main lamps' },
                { value: 'front', label: 'front' },
                { value: 'side', label: 'side' },
                { value: 'rear', label: 'rear' },
              ]}
              onChange={(event) => {
                const end = event.currentTarget.value;
                edit((each) => {
                  if (!each.across) return;
                  if (end === 'front' || end === 'side' || end === 'rear') each.across.end = end;
                  else delete each.across.end;
                });
              }}
            />
          )}
        </>
      )}
      <Button
        variant="subtle"
        aria-label={`Leave in the box: ${item?.what ?? use.itemId}`}
        onClick={() => change((each) => void each.uses.splice(at, 1))}
      >
        Leave in the box
      </Button>
    </div>
  );
}

function Links({ variant, change }: { variant: KitVariant; change: Change }) {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const add = () => {
    if (from.trim() === '' || to.trim() === '') return;
    change((each) => void each.links.push({ from: from.trim(), to: to.trim() }));
    setFrom('');
    setTo('');
  };
  return (
    <>
      <h4 className={classes.sub}>Links</h4>
      {variant.links.map((link, at) => (
        <div key={at} className={classes.row}>
          <span>
            {link.from} to {link.to}
          </span>
          <Button
            variant="subtle"
            aria-label={`Remove link ${link.from} to ${link.to}`}
            onClick={() => change((each) => void each.links.splice(at, 1))}
          >
            Remove
          </Button>
        </div>
      ))}
      <div className={classes.row}>
        <TextInput
          label="Link from"
          maxLength={160}
          value={from}
          onChange={(event) => setFrom(event.currentTarget.value)}
        />
        <TextInput
          label="to"
          maxLength={160}
          value={to}
          onChange={(event) => setTo(event.currentTarget.value)}
        />
        <Button variant="default" disabled={from.trim() === '' || to.trim() === ''} onClick={add}>
          Add the link
        </Button>
      </div>
    </>
  );
}

/** Several phrases in one line, a semicolon between. */
function Phrases({
  label,
  stored,
  save,
}: {
  label: string;
  stored: readonly string[];
  save(phrases: string[]): void;
}) {
  const [text, setText] = useState(stored.join('; '));
  return (
    <TextInput
      label={label}
      value={text}
      onChange={(event) => {
        const next = event.currentTarget.value;
        setText(next);
        save(
          next
            .split(';')
            .map((each) => each.trim().slice(0, 160))
            .filter(Boolean)
            .slice(0, 12),
        );
      }}
    />
  );
}
