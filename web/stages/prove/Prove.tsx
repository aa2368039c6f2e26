import { Button } from '@mantine/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { toldNow } from '../../../core/proving/toldOf.ts';
import { behind } from '../../../core/record/observations.ts';
import { networksOf } from '../../../core/simulation/fitment.ts';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk, useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { useBelow } from '../../ui/useBelow.ts';
import { type Proving, useProving } from '../../workers/useProving.ts';
import { CellCard } from './CellCard.tsx';
import { cellStates, nextOpen } from './cellState.ts';
import { FaultPanel } from './fault/FaultPanel.tsx';
import { OtherJobs } from './fault/OtherJobs.tsx';
import { GridCard } from './GridCard.tsx';
import classes from './Prove.module.css';
import { TowedBy } from './TowedBy.tsx';

/** What should happen, what did, cell by cell; and why it did not, where it did not. */
export default function Prove() {
  const { job, shelf, setConfiguration } = useDesk();
  const { setControls } = useWorkspace();
  const { towedBy } = useEvidence();
  const seen = towedBy ? behind(job, towedBy) : job;
  const proving = useProving(job, shelf);
  const { grid } = proving;
  const [chosen, setChosen] = useState<string | null>(null);
  const [asked] = useSearchParams();
  const [finding, setFinding] = useState(asked.has('odd'));
  const cellBelow = useBelow<HTMLDivElement>();
  const faultBelow = useBelow<HTMLDivElement>();
  const states = grid && cellStates(seen, grid);
  // Seen right once more, what was not so before still wants its cause.
  const failed =
    grid !== undefined && toldNow(seen, grid.cells, 'cured', Date.now()).some((each) => each.seen.length > 0);
  const shownId = chosen ?? (grid && states ? (nextOpen(grid, states) ?? grid.cells[0]?.id ?? null) : null);
  const at = grid?.cells.findIndex(({ id }) => id === shownId) ?? -1;
  const cell = grid?.cells[at];
  const choose = (id: string) => {
    setChosen(id);
    const controls = grid?.cells.find((each) => each.id === id)?.controls;
    // The plan beside it shows what should be lit.
    if (controls) {
      setConfiguration('cured');
      setControls(controls);
    }
    cellBelow.show();
  };
  return (
    <div className={classes.prove} data-towed={job.vehicle.kind === 'trailer'}>
      {job.vehicle.kind === 'trailer' && <TowedBy />}
      {!grid && <Working proving={proving} />}
      {grid && grid.cells.length === 0 && (
        <Card title="Nothing to prove yet">
          <p>This vehicle has no lamp that anything switches on. Correct the vehicle first.</p>
        </Card>
      )}
      {grid && states && cell && (
        <>
          <div ref={cellBelow.ref} className={classes.cell}>
            <CellCard
              key={cell.id}
              cell={cell}
              grid={grid}
              at={at}
              next={() => {
                const next = nextOpen(grid, states, cell.id);
                if (next) choose(next);
              }}
            />
          </div>
          <div className={classes.grid}>
            <GridCard grid={grid} states={states} chosen={cell.id} choose={choose} />
          </div>
          <div ref={faultBelow.ref} className={classes.fault}>
            {finding || failed ? (
              <FaultPanel proving={proving} grid={grid} chooseCell={choose} />
            ) : (
              <Button
                variant="default"
                size="md"
                onClick={() => {
                  setFinding(true);
                  faultBelow.show();
                }}
              >
                It does something odd: find the fault
              </Button>
            )}
            <OtherJobs />
          </div>
        </>
      )}
      <div className={classes.caution}>
        <Caution>
          Parking brake on, wheels chocked, nobody between vehicle and wall.
          {networksOf(job).length > 0 &&
            ' After a long hazard the resistors are estimated to burn skin: measure, or hold a hand near them, never on them.'}
        </Caution>
      </div>
    </div>
  );
}

/** The grid on its way: how far it is, and a way to stop it. */
function Working({ proving }: { proving: Proving }) {
  const { progress, trouble, stopped } = proving;
  if (trouble)
    return (
      <Card title="The proving grid could not be worked out">
        <p role="alert">{trouble.message}</p>
        <Button onClick={proving.again}>Try again</Button>
      </Card>
    );
  if (stopped)
    return (
      <Card title="Stopped">
        <p>What should happen in each cell is not worked out.</p>
        <Button onClick={proving.again}>Work it out</Button>
      </Card>
    );
  const { done = 0, of = 0 } = progress ?? {};
  return (
    <Card title="Working out what should happen">
      <p className="faint" role="status">
        {of > 0 ? `Fault ${done} of ${of} put into this vehicle and looked at in every cell.` : 'Starting.'}
      </p>
      <progress className={classes.progress} value={done} max={of || 1} aria-label="Faults worked out" />
      <Button variant="default" onClick={proving.stop}>
        Stop
      </Button>
    </Card>
  );
}
