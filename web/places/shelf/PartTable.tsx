import { Button } from '@mantine/core';
import { memo, type RefObject, useRef } from 'react';
import { amps, ohms, volts, watts } from '../../../core/formatting/format.ts';
import type { Part } from '../../../core/model/part.ts';
import { workName } from '../../../core/vehicle/lampWork.ts';
import { useMoreBelow } from '../../ui/MoreBelow.tsx';
import { price } from '../../ui/money.ts';
import classes from './Shelf.module.css';

/** So many rows in one piece. */
const ROWS = 40;

export function PartTable({
  parts,
  change,
  remove,
}: {
  parts: readonly Part[];
  change(part: Part): void;
  remove(part: Part): void;
}) {
  const { shown, end } = useMoreBelow(parts.length, ROWS);
  // The same for as long as the table stands: a row that is drawn is not drawn again for those below it.
  const acts = useRef({ change, remove });
  acts.current = { change, remove };
  if (parts.length === 0) return <p>Nothing on the shelf is called that. Try part of the code, or a base.</p>;
  return (
    <>
      <table className={classes.table}>
        <thead>
          <tr>
            <th>Code</th>
            <th>Part</th>
            <th>Printed</th>
            <th className="figure">Price</th>
            <th className="figure">Stock</th>
            <th>
              <span className="visually-hidden">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {parts.slice(0, shown).map((part) => (
            <PartRow key={part.id} part={part} acts={acts} />
          ))}
        </tbody>
      </table>
      {end}
    </>
  );
}

const PartRow = memo(function PartRow({
  part,
  acts,
}: {
  part: Part;
  acts: RefObject<{ change(part: Part): void; remove(part: Part): void }>;
}) {
  return (
    <tr>
      <td className={classes.code}>{part.code}</td>
      <td>{part.name}</td>
      <td className="faint">{figures(part)}</td>
      <td className="figure">{price(part.price)}</td>
      <td className="figure">{part.stock}</td>
      <td className={classes.acts}>
        <Button
          size="xs"
          variant="default"
          onClick={() => acts.current.change(part)}
          aria-label={`Change ${part.code}`}
        >
          Change
        </Button>
        <Button
          size="xs"
          variant="subtle"
          onClick={() => acts.current.remove(part)}
          aria-label={`Take off ${part.code}`}
        >
          Take off
        </Button>
      </td>
    </tr>
  );
});

function figures(part: Part): string {
  switch (part.kind) {
    case 'led':
      return `${part.bases.join(', ')} · ${watts(part.watts)} at ${volts(part.atVolts)} · ${part.lumens} lm · ${part.lengthMm} × ${part.diameterMm} mm`;
    case 'whole-lamp':
      return part.sections
        .map(
          ({ does, light }) =>
            `${workName(does)} ${light.kind === 'panel' ? watts(light.watts) : light.base}`,
        )
        .join(' · ');
    case 'resistor':
      return `${ohms(part.ohms)} ${watts(part.watts)}, ${Math.round(part.tolerance * 100)} %`;
    case 'harness':
      return `${part.bases.join(', ')} · ${ohms(part.ohms)} ${watts(part.watts)}${part.dimOhms ? `, ${ohms(part.dimOhms)} on the dim feed` : ''}`;
    case 'flasher':
      return `${part.systemVolts} V · from ${amps(part.minAmps)} to ${amps(part.ratedAmps)}`;
    case 'decoder':
      return part.capacitorFarads ? `${Math.round(part.capacitorFarads * 1e6)} µF` : 'no capacitor';
    case 'consumable':
      return '';
  }
}
