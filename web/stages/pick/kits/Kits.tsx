import { Button, NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import type { KitPart } from '../../../../core/model/part.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { KitOnVehicle } from './KitOnVehicle.tsx';
import classes from './Kits.module.css';

/** Kits of this job: which variant applies to this vehicle, and what it asks for. */
export default function Kits() {
  const { job, shelf, edit } = useDesk();
  const kits = shelf.filter((part): part is KitPart => part.kind === 'kit');
  const mine = job.kits ?? [];
  const others = kits.filter(({ id }) => !mine.some(({ partId }) => partId === id));
  return (
    <div className={classes.kits}>
      {mine.map((use) => {
        const part = kits.find(({ id }) => id === use.partId);
        return part && <KitOnVehicle key={part.id} part={part} use={use} />;
      })}
      {mine.length === 0 && (
        <p>
          No kit on this job. A kit holds parts for several vehicles; its sheet says what this one gets.
          Sheets are written on the <Link to="/shelf?kind=kit">shelf</Link>.
        </p>
      )}
      {others.length > 0 && (
        <Card title="Take a kit on this job">
          <TakeKit
            kits={others}
            take={(part) =>
              edit(`Kit ${part.code}`, (draft) => {
                draft.kits = [...(draft.kits ?? []), { partId: part.id, answers: {} }];
              })
            }
          />
        </Card>
      )}
    </div>
  );
}

function TakeKit({ kits, take }: { kits: readonly KitPart[]; take(part: KitPart): void }) {
  return (
    <form
      className={classes.take}
      onSubmit={(event) => {
        event.preventDefault();
        const id = new FormData(event.currentTarget).get('kit');
        const part = kits.find((each) => each.id === id);
        if (part) take(part);
      }}
    >
      <NativeSelect
        label="Kit"
        name="kit"
        data={kits.map(({ id, code, name }) => ({ value: id, label: `${code}, ${name}` }))}
      />
      <Button type="submit" variant="default">
        Take it
      </Button>
    </form>
  );
}
