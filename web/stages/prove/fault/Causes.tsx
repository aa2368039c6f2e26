import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { isFelt } from '../../../../core/faults/kinds.ts';
import type { FaultFinding, Suspect } from '../../../../core/proving/finding.ts';
import type { ProvingGrid } from '../../../../core/proving/grid.ts';
import type { CellTold } from '../../../../core/proving/told.ts';
import { deviationsWords } from '../../../../core/words/deviations.ts';
import { faultName } from '../../../../core/words/faults.ts';
import { useDesk, useWorkspace } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import classes from './Fault.module.css';

/** So many causes at first. */
const AT_FIRST = 4;
const MOST = 12;

interface CausesProps {
  finding: FaultFinding;
  grid: ProvingGrid;
  chooseCell(cellId: string): void;
}

/** What may be wrong, likeliest first, each with why; and how likely it is that nothing of all this is. */
export function Causes({ finding, grid, chooseCell }: CausesProps) {
  const [all, setAll] = useState(false);
  const { suspects, soundProbability } = finding;
  const shown = suspects.slice(0, all ? MOST : AT_FIRST);
  return (
    <Card title="What may be wrong">
      <ol className={classes.causes}>
        {shown.map((each) => (
          <Cause
            key={`${each.faults.map(({ id }) => id).join()} ${each.and?.id ?? ''}`}
            suspect={each}
            grid={grid}
            chooseCell={chooseCell}
          />
        ))}
        <li>
          <span className={classes.share}>{percent(soundProbability)}</span>
          <div>Nothing of all this: told wrongly, or it came and went</div>
        </li>
      </ol>
      {suspects.length > AT_FIRST && (
        <Button variant="subtle" size="sm" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `${Math.min(suspects.length, MOST) - AT_FIRST} less likely ones`}
        </Button>
      )}
      <p className="faint">
        Each fault was put into this vehicle and played in every cell, small and large. How often each kind is
        met is common practice; one telling in ten is taken to be wrong.
      </p>
    </Card>
  );
}

function Cause({
  suspect,
  grid,
  chooseCell,
}: {
  suspect: Suspect;
  grid: ProvingGrid;
  chooseCell(id: string): void;
}) {
  const { job, setConfiguration } = useDesk();
  const { fault, setFault } = useWorkspace();
  const { faults, and, probability, explains, leaves, would } = suspect;
  const [first] = faults;
  const names = faults.map(({ fault }) => faultName(fault, job.vehicle)).join(', or ');
  const says = ({ cellId, seen }: CellTold) =>
    `${cellName(grid, cellId).toLowerCase()}: ${seen.length > 0 ? deviationsWords(job.vehicle, seen, 3) : 'as expected'}`;
  const [else1] = would;
  const playable = first && isFelt(first.fault) ? first.fault : null;
  const shown = playable !== null && JSON.stringify(fault) === JSON.stringify(playable);
  const show = () => {
    const cellId = explains[0]?.cellId ?? leaves[0]?.cellId;
    if (cellId) chooseCell(cellId);
    setConfiguration('cured');
    setFault(shown ? null : playable);
  };
  return (
    <li>
      <span className={classes.share}>{percent(probability)}</span>
      <div>
        <b>
          {names}
          {and && `, and ${faultName(and.fault, job.vehicle)}`}
        </b>
        {faults.length > 1 && <span className="faint"> (no switch tells these apart)</span>}
        <p className={classes.why}>
          {explains.length > 0
            ? `Explains ${explains.map(says).join('; ')}.`
            : 'Explains nothing that was told.'}
          {leaves.length > 0 && ` Does not go with ${leaves.map(says).join('; ')}.`}
          {else1 && ` Then ${says(else1)} as well.`}
        </p>
        {first?.fault.kind === 'wants-load' && (
          <Button
            size="xs"
            component={Link}
            to={`/jobs/${job.id}/cure?circuit=${first.fault.circuitIds[0] ?? ''}`}
          >
            See its cure
          </Button>
        )}
        {playable && (
          <Button size="xs" variant="default" aria-pressed={shown} onClick={show}>
            {shown ? 'Take it off the plan' : 'Show me'}
          </Button>
        )}
      </div>
    </li>
  );
}

function cellName(grid: ProvingGrid, id: string): string {
  return grid.cells.find((cell) => cell.id === id)?.name ?? id;
}

function percent(share: number): string {
  const rounded = Math.round(100 * share);
  return rounded < 1 ? '< 1 %' : rounded > 99 && share < 1 ? '> 99 %' : `${rounded} %`;
}
