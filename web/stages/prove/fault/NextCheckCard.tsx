import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import type { PossibleFault } from '../../../../core/faults/library.ts';
import type { FaultFinding } from '../../../../core/proving/finding.ts';
import type { ProvingGrid } from '../../../../core/proving/grid.ts';
import { faultName, faultPlaceAndName, lookWords } from '../../../../core/words/faults.ts';
import { useEvidence } from '../../../job/measure/useEvidence.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import classes from './Fault.module.css';

interface NextProps {
  finding: FaultFinding;
  grid: ProvingGrid;
  chooseCell(cellId: string): void;
  /** where one stands, and what is open */
  children: ReactNode;
}

/** The check that tells most for its minutes: a cell to work, or a place to look at, with its answers. */
export function NextCheckCard({ finding, grid, chooseCell, children }: NextProps) {
  const { next } = finding;
  const cell = next?.kind === 'cell' ? grid.cells.find(({ id }) => id === next.cellId) : undefined;
  return (
    <Card title="Next check" aside={next && <span className="faint">{minutes(next.minutes)}</span>}>
      {!next && (
        <p role="status">
          <b>Nothing tells more now.</b> Mend what was found, or accept it below; another look that differs
          from what was told opens it again.
        </p>
      )}
      {next?.kind === 'cell' && cell && (
        <>
          <p className={classes.say}>{cell.say}</p>
          <p>{cell.name}: look at every lamp it should light, and at those it should not.</p>
          <Button size="md" onClick={() => chooseCell(cell.id)}>
            Work this cell
          </Button>
        </>
      )}
      {next?.kind === 'place' && <PlaceAnswers placeId={next.placeId} faultIds={next.faultIds} grid={grid} />}
      <details className={classes.stand}>
        <summary>Where you stand: it changes what is quickest</summary>
        {children}
      </details>
    </Card>
  );
}

function PlaceAnswers({
  placeId,
  faultIds,
  grid,
}: {
  placeId: string;
  faultIds: readonly string[];
  grid: ProvingGrid;
}) {
  const { job } = useDesk();
  const { record } = useEvidence();
  const faults = grid.faults.filter((each) => faultIds.includes(each.id));
  const looked = (found: string | null, words: string) =>
    record(`Looked: ${words}`, { kind: 'place', place: placeId, found });
  const [first] = faults;
  const placeName = ({ fault }: PossibleFault) => {
    const [where, what] = faultPlaceAndName(fault, job.vehicle);
    return where || what;
  };
  const lamp = job.vehicle.lamps.find(({ access }) => access.group === first?.openingId);
  return (
    <>
      <p className={classes.say}>{first ? placeName(first) : placeId}</p>
      <p>
        {lamp && first?.openingId ? `Behind the panel of ${lamp.name.toLowerCase()}. ` : ''}
        {lookWords(faults.map(({ fault }) => fault))}
      </p>
      <div className={classes.answers}>
        {faults.map((each) => (
          <Button
            key={each.id}
            variant="default"
            onClick={() => looked(each.id, faultName(each.fault, job.vehicle))}
          >
            {faultPlaceAndName(each.fault, job.vehicle)[1]}
          </Button>
        ))}
        <Button onClick={() => looked(null, 'nothing wrong there')}>Nothing wrong there</Button>
      </div>
    </>
  );
}

function minutes(value: number): string {
  return value < 10 ? `about ${value.toFixed(1)} min` : `about ${Math.round(value)} min`;
}
