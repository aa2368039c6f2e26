import { Button, TextInput } from '@mantine/core';
import type { FaultFinding } from '../../../../core/proving/finding.ts';
import type { ProvingGrid } from '../../../../core/proving/grid.ts';
import { toldOf } from '../../../../core/proving/toldOf.ts';
import { ledOf } from '../../../../core/simulation/fitment.ts';
import { cureWords, faultName } from '../../../../core/words/faults.ts';
import { useEvidence } from '../../../job/measure/useEvidence.ts';
import { useDesk } from '../../../job/workspace.ts';
import { useDraftText } from '../../../store/draft.ts';
import { Card } from '../../../ui/Card.tsx';
import classes from './Fault.module.css';

/** Likely enough to be mended: found at its place, or hardly anything else. */
const LIKELY = 0.5;

/** How a search ends: what is done about it and looked at again, or that it is accepted as it is. */
export function Ended({ finding, grid }: { finding: FaultFinding; grid: ProvingGrid }) {
  const { job, shelf } = useDesk();
  const { record } = useEvidence();
  const [note, setNote, forget] = useDraftText(`ended-${job.id}`);
  const [first] = finding.suspects;
  const likely = first && first.probability >= LIKELY ? first : null;
  const [fault] = likely?.faults ?? [];
  const { places } = toldOf(job, grid.cells, 'cured', Date.now());
  const found = fault && places.some((each) => each.found === fault.id);
  const again = fault
    ? grid.cells.filter((_, at) => {
        const row = grid.seen[grid.faults.findIndex(({ id }) => id === fault.id)]?.[at];
        return row !== undefined && row.sure.length > 0;
      })
    : [];
  const name = fault && faultName(fault.fault, job.vehicle);
  const lampId = fault && 'lampId' in fault.fault ? fault.fault.lampId : null;
  const part = lampId ? ledOf(job, shelf, lampId)?.code : undefined;
  const end = (outcome: 'mended' | 'accepted') => {
    record(outcome === 'mended' ? `Mended: ${name ?? ''}` : 'Accepted, unresolved', {
      kind: 'cause',
      fault: fault?.id ?? null,
      words: name ?? 'no cause found',
      outcome,
      ...(part ? { part } : {}),
      ...(note.trim() === '' ? {} : { note: note.trim() }),
    });
    forget();
  };
  return (
    <Card title="Mend it, or leave it">
      {fault && (
        <>
          <p>
            <b>{name}</b>
            {found ? ', found there' : ', likely; look at its place first'}. {cureWords(fault.fault)}
          </p>
          {again.length > 0 && (
            <p className="faint">
              Then prove again:{' '}
              {again
                .slice(0, 4)
                .map(({ name }) => name)
                .join('; ')}
              {again.length > 4 ? ` and ${again.length - 4} more` : ''}.
            </p>
          )}
        </>
      )}
      <TextInput
        label="What was done or tried"
        maxLength={400}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <div className={classes.answers}>
        {fault && <Button onClick={() => end('mended')}>Mended</Button>}
        <Button variant="default" onClick={() => end('accepted')}>
          Accept, unresolved
        </Button>
      </div>
      <p className="faint">
        Mended, what was seen before counts no more; it stays on record, filed by model
        {part ? ` and by ${part}` : ''}.
      </p>
    </Card>
  );
}
