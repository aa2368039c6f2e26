import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { capital } from '../../../../core/formatting/format.ts';
import { flashes } from '../../../../core/model/scope.ts';
import type { Opening } from '../../../../core/model/vehicle/opening.ts';
import { freeOpeningId, putOpening } from '../../../../core/vehicle/edit/openings.ts';
import { fasteningWords } from '../../../../core/words/openings.ts';
import { flasherOpening, openingFrom } from '../../../../core/work/access/openings.ts';
import { usualOpeningsFor } from '../../../../core/work/access/usualOpenings.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import classes from './Opening.module.css';
import { OpeningFields } from './OpeningFields.tsx';

/** Where the flasher is and what comes off for it, and trim that is in the way of lamps. */
export function OtherOpenings() {
  const { job, edit } = useDesk();
  const { flasher, openings = [] } = job.vehicle;
  const known = flasherOpening(job.vehicle);
  const trims = openings.filter(({ of }) => of === 'trim');
  const start = (usualId: string) => {
    const usual = usualOpeningsFor('flasher').find(({ id }) => id === usualId);
    if (!usual) return;
    edit(`Flasher: ${usual.name}`, (draft) => {
      putOpening(draft.vehicle, openingFrom(usual, freeOpeningId(draft.vehicle, 'flasher'), 'Flasher relay'));
    });
  };
  return (
    <>
      {flasher.kind !== 'controller' && flashes(job) && (
        <Card title="Where the flasher is">
          <p className="faint">Hazard on: listen for the click. It leads to the relay.</p>
          {known ? (
            <Folded opening={known} />
          ) : (
            <NativeSelect
              label="Found"
              value=""
              data={[
                { value: '', label: 'nobody has looked yet' },
                ...usualOpeningsFor('flasher').map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChange={(event) => start(event.currentTarget.value)}
            />
          )}
        </Card>
      )}
      {trims.map((trim: Opening) => (
        <Card key={trim.id} title={trim.name} aside={<span className="faint">comes out first</span>}>
          <Folded opening={trim} />
        </Card>
      ))}
    </>
  );
}

/** How something is opened in a line, until somebody wants to change it. */
function Folded({ opening }: { opening: Opening }) {
  const [changing, setChanging] = useState(false);
  const words = [opening.where, ...opening.undo.map(fasteningWords)].filter(Boolean).join('; ');
  return (
    <div className={classes.folded}>
      {!changing && <p>{capital(words) || 'Nothing written down yet.'}</p>}
      {changing && <OpeningFields opening={opening} twin={undefined} />}
      <Button
        size="xs"
        variant="default"
        aria-expanded={changing}
        aria-label={`${changing ? 'Close' : 'Change'} ${opening.name}`}
        onClick={() => setChanging(!changing)}
      >
        {changing ? 'Close' : 'Change'}
      </Button>
    </div>
  );
}
