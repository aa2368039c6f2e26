import { useLiveQuery } from 'dexie-react-hooks';
import type { CauseClosed } from '../../../../core/model/evidence.ts';
import { standing } from '../../../../core/model/seen.ts';
import { SeenList } from '../../../job/measure/SeenList.tsx';
import { useDesk } from '../../../job/workspace.ts';
import { db } from '../../../store/db.ts';
import { Card } from '../../../ui/Card.tsx';

const MOST = 6;

/** How searches ended: on this job, and what was mended on other jobs of the model or with the same LED. */
export function OtherJobs() {
  const { job, shelf } = useDesk();
  const codes = new Set(
    Object.values(job.chosen).flatMap((id) => shelf.find((part) => part.id === id)?.code ?? []),
  );
  const elsewhere = useLiveQuery(async () => {
    const rows = await db.jobs.where('deleted').equals(0).toArray();
    return rows
      .filter((row) => row.id !== job.id)
      .flatMap((row) =>
        standing(row.job).flatMap((each): { title: string; cause: CauseClosed }[] => {
          if (each.kind !== 'cause' || each.outcome !== 'mended') return [];
          const alike =
            row.job.vehicle.model === job.vehicle.model || (each.part !== undefined && codes.has(each.part));
          return alike ? [{ title: row.job.title, cause: each }] : [];
        }),
      )
      .slice(0, MOST);
  }, [job.id, job.vehicle.model]);
  const ended = standing(job)
    .filter((each) => each.kind === 'cause')
    .toReversed();
  if (ended.length === 0 && !elsewhere?.length) return null;
  return (
    <Card title="How searches ended">
      {ended.length > 0 && (
        <SeenList seen={ended} what="how a search ended">
          {(each) => (
            <>
              <b>{each.outcome === 'mended' ? 'Mended' : 'Accepted, unresolved'}:</b> {each.words}
              {each.note ? ` (${each.note})` : ''}
            </>
          )}
        </SeenList>
      )}
      {elsewhere && elsewhere.length > 0 && (
        <>
          <p className="faint">On other jobs of this model, or with the same LED:</p>
          <ul>
            {elsewhere.map(({ title, cause }) => (
              <li key={cause.id}>
                {cause.words}
                {cause.part ? `, ${cause.part}` : ''}
                {cause.note ? ` (${cause.note})` : ''} <span className="faint">{title}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Card>
  );
}
