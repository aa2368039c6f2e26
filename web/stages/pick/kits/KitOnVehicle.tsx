import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { askSheet } from '../../../../core/kits/askSheet.ts';
import { dropKit, kitChange, takeVariant } from '../../../../core/kits/jobKits.ts';
import { vehicleAnswers } from '../../../../core/kits/vehicleAnswers.ts';
import type { JobKit } from '../../../../core/model/job.ts';
import type { KitPart } from '../../../../core/model/part.ts';
import { listed, sheetFaultWords } from '../../../../core/words/kits.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { VerdictBadge } from '../../../ui/VerdictBadge.tsx';
import { useKitVerdict, useSheetFaults } from '../../../workers/usePicking.ts';
import { KitQuestions } from './KitQuestions.tsx';
import classes from './Kits.module.css';
import { VariantDrawing } from './VariantDrawing.tsx';

/** One kit on this vehicle: what is known of its questions, what is still asked, the variant, and what the circuits say. */
export function KitOnVehicle({ part, use }: { part: KitPart; use: JobKit }) {
  const { job, shelf, edit } = useDesk();
  const { sheet } = part;
  const known = useMemo(() => vehicleAnswers(sheet, job, use), [sheet, job, use]);
  const asked = useMemo(() => {
    try {
      return askSheet(sheet, known.answers, use.skipped);
    } catch (error) {
      return error as Error;
    }
  }, [sheet, known, use.skipped]);
  const settled = asked instanceof Error ? null : asked.settled;
  const { data: faults } = useSheetFaults(sheet);
  const { data: verdict, error } = useKitVerdict(job, shelf, part, settled);
  const change = useMemo(
    () => (settled ? kitChange(job, shelf, part, settled) : null),
    [job, shelf, part, settled],
  );
  const taken = sheet.variants.find(({ id }) => id === use.takenId);
  return (
    <Card
      title={`${part.code}, ${part.name}`}
      aside={
        <Button
          size="xs"
          variant="subtle"
          onClick={() => edit(`Kit ${part.code} off the job`, (draft) => dropKit(draft, part))}
        >
          Off this job
        </Button>
      }
    >
      {faults && faults.length > 0 && (
        <Caution>
          The sheet itself is not sound: {sheetFaultWords(sheet, faults[0] as (typeof faults)[number])}
          {faults.length > 1 && ` And ${faults.length - 1} more, on the shelf.`}
        </Caution>
      )}
      {asked instanceof Error ? (
        <Caution>{asked.message}</Caution>
      ) : (
        <>
          <KitQuestions part={part} use={use} known={known} asked={asked} />
          {asked.contradicts && (
            <Caution>By its sheet there is no such vehicle. Correct an answer above.</Caution>
          )}
          {!asked.contradicts && asked.left.length === 0 && (
            <Caution>
              The sheet has no variant for this vehicle. Do not fit it by guess: ask the seller, or correct
              the sheet.
            </Caution>
          )}
          {!settled && asked.left.length > 0 && (
            <p>
              May still be: {listed(asked.left.map(({ name }) => name))}
              {asked.open.length === 0 && asked.left.length > 1
                ? '. Nobody here can tell them apart: look at what was left open.'
                : '.'}
            </p>
          )}
        </>
      )}
      {settled && (
        <>
          <h4 className={classes.variant}>{settled.name}</h4>
          <VariantDrawing sheet={sheet} variant={settled} />
          {change?.misfits.map(({ item, pieces, places }) => (
            <Caution key={item.id}>
              The sheet gives {pieces} of {item.what}; this vehicle has {places} such{' '}
              {places === 1 ? 'lamp' : 'lamps'}
              {places > pieces ? ': some stay without.' : '.'}
            </Caution>
          ))}
          <h4 className={classes.judged}>What this vehicle’s circuits say to it</h4>
          {error && <p role="alert">It could not be judged: {error.message}</p>}
          {!verdict && !error && <p className="faint">Judging it on this vehicle.</p>}
          {verdict && (
            <>
              <VerdictBadge state={verdict.state} detail="the whole vehicle with it" />
              <ul className={classes.rows}>
                {verdict.rows.map((row) => (
                  <li key={row.id}>
                    <b>{row.name}</b>: {row.cured.text}
                    {row.worst && <span className="faint"> {row.worst}</span>}
                  </li>
                ))}
              </ul>
            </>
          )}
          <div className={classes.take}>
            {taken?.id === settled.id ? (
              <span role="status">In the plan: pick list, steps and wiring sheets have it.</span>
            ) : (
              <Button
                onClick={() =>
                  change &&
                  edit(`${part.code}: ${settled.name}`, (draft) => takeVariant(draft, part, settled, change))
                }
              >
                Put it into the plan
              </Button>
            )}
          </div>
        </>
      )}
      {taken && taken.id !== settled?.id && (
        <Caution>In the plan is “{taken.name}”, which is not what the answers say now.</Caution>
      )}
    </Card>
  );
}
