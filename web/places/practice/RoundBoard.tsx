import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { PossibleFault } from '../../../core/faults/library.ts';
import { capital } from '../../../core/formatting/format.ts';
import type { Configuration } from '../../../core/model/cures.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import type { RoundSetup, RoundStep } from '../../../core/practice/round.ts';
import type { SearchRun } from '../../../core/practice/search.ts';
import type { ProvingGrid } from '../../../core/proving/grid.ts';
import { deviationsWords } from '../../../core/words/deviations.ts';
import { faultName } from '../../../core/words/faults.ts';
import { DriverPanel } from '../../job/plan/DriverPanel.tsx';
import { PlanView } from '../../job/plan/PlanView.tsx';
import { useSwitchKeys } from '../../job/plan/useSwitchKeys.ts';
import { DeskContext, WorkspaceContext } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { practice } from '../../workers/practice.ts';
import type { RoundAfter, RoundBegun } from '../../workers/practice.worker.ts';
import classes from './Practice.module.css';
import { Review } from './Review.tsx';
import { useResults } from './results.ts';
import { panelWords, stepWords } from './roundWords.ts';
import { useRoundWorkspace } from './useRoundWorkspace.ts';

interface BoardProps {
  job: Job;
  shelf: Shelf;
  configuration: Configuration;
  setup: RoundSetup;
  begun: RoundBegun;
  grid: ProvingGrid;
}

/** The round as it is played: the vehicle, the panel, the meter, the toolbox and the clock. */
export function RoundBoard({ job, shelf, configuration, setup, begun, grid }: BoardProps) {
  const { workspace, seen, setTraces } = useRoundWorkspace(job, shelf, configuration);
  useSwitchKeys(workspace);
  const { add } = useResults();
  const [steps, setSteps] = useState<RoundStep[]>([]);
  const [minutes, setMinutes] = useState(0);
  const [busy, setBusy] = useState(false);
  const [review, setReview] = useState<{
    run: SearchRun;
    hidden: readonly PossibleFault[];
    gaveUp: boolean;
  } | null>(null);
  const { controls, traces } = workspace;
  const finish = async (spent: number, gaveUp: boolean) => {
    const { run, hidden } = await practice().review();
    add({
      kind: 'round',
      at: new Date().toISOString(),
      vehicle: job.vehicle.name.slice(0, 160),
      level: setup.level,
      seed: setup.seed,
      minutes: spent,
      chooser: run.found ? run.minutes : null,
      gaveUp,
    });
    setReview({ run, hidden, gaveUp });
  };
  const check = async <A extends RoundAfter>(make: () => Promise<A>, then?: (after: A) => void) => {
    if (busy) return;
    setBusy(true);
    try {
      const after = await make();
      setSteps((now) => [...now, after.step]);
      setMinutes(after.minutes);
      then?.(after);
      if (after.done) await finish(after.minutes, false);
    } catch (error) {
      tellTrouble(error as Error);
    } finally {
      setBusy(false);
    }
  };
  const complaint = begun.complaint;
  const messages = traces.events.filter((event) => event.kind === 'message');
  return (
    <WorkspaceContext value={workspace}>
      <DeskContext value={workspace}>
        <div className={classes.board}>
          <section className={classes.vehicle} aria-label="The vehicle">
            <h1>{job.vehicle.name}</h1>
            <PlanView />
            <div className={classes.dash} role="status">
              {seen ? (
                <>
                  <b>
                    {traces.ratePerMinute === null
                      ? 'Nothing flashes'
                      : `About ${Math.round(traces.ratePerMinute)} flashes a minute`}
                  </b>
                  {messages.map(
                    (event) =>
                      event.kind === 'message' && <span key={event.circuitId}>Dash: {event.message}</span>,
                  )}
                </>
              ) : (
                <span>From the seat no lamp is seen. Work the panel, then look round.</span>
              )}
            </div>
            <DriverPanel />
            <Button
              size="lg"
              fullWidth
              loading={busy}
              disabled={review !== null}
              onClick={() =>
                check(
                  () => practice().look(controls),
                  ({ traces: shown }) => setTraces(shown),
                )
              }
            >
              Look round with {panelWords(controls)}
            </Button>
          </section>
          <section className={classes.work} aria-label="The search">
            <Card
              title={begun.hidden === 1 ? 'One thing is wrong' : 'Two things are wrong'}
              heading="h2"
              aside={
                <span role="timer" aria-label="Minutes spent">
                  <b>{Math.round(minutes)}</b> min
                </span>
              }
            >
              {complaint && (
                <p>
                  The owner says: with {complaint.cell.name.toLowerCase()},{' '}
                  {deviationsWords(job.vehicle, complaint.seen, 3)}.{' '}
                  <span className="faint">
                    {configuration === 'cured' ? 'Fitted with its LEDs and cure.' : 'With its stock bulbs.'}{' '}
                    Round {setup.seed}.
                  </span>
                </p>
              )}
            </Card>
            {review ? (
              <Review job={job} grid={grid} review={review} minutes={minutes} setup={setup} />
            ) : (
              <>
                <Meter
                  begun={begun}
                  busy={busy}
                  measure={(spot, quantity) => check(() => practice().meter(spot, quantity, controls))}
                />
                <Toolbox begun={begun} busy={busy} look={(place) => check(() => practice().lookAt(place))} />
                <Button variant="subtle" onClick={() => finish(minutes, true).catch(tellTrouble)}>
                  Give up, and show what it was
                </Button>
              </>
            )}
            {steps.length > 0 && (
              <Card title="So far" heading="h2">
                <ol className={classes.steps} aria-label="Checks so far" reversed>
                  {steps.toReversed().map((step, index) => (
                    <li key={steps.length - index}>
                      {stepWords(step, begun, (fault) => capital(faultName(fault, job.vehicle)))}{' '}
                      <span className="faint">{step.minutes.toFixed(1)} min</span>
                    </li>
                  ))}
                </ol>
              </Card>
            )}
          </section>
        </div>
      </DeskContext>
    </WorkspaceContext>
  );
}

function Meter({
  begun,
  busy,
  measure,
}: {
  begun: RoundBegun;
  busy: boolean;
  measure(spotId: string, quantity: 'volts' | 'ohms'): void;
}) {
  const [spotId, setSpotId] = useState(begun.spots[0]?.id ?? '');
  const [quantity, setQuantity] = useState<'volts' | 'ohms'>('volts');
  return (
    <Card title="Meter" heading="h2">
      <div className={classes.fields}>
        <NativeSelect
          label="Probe on"
          value={spotId}
          onChange={(event) => setSpotId(event.currentTarget.value)}
          data={begun.spots.map(({ id, group, name }) => ({ value: id, label: `${group}, ${name}` }))}
        />
        <div>
          <span className={classes.label} id="round-quantity">
            Measure
          </span>
          <SegmentedControl
            fullWidth
            aria-labelledby="round-quantity"
            value={quantity}
            onChange={(next) => setQuantity(next as typeof quantity)}
            data={[
              { value: 'volts', label: 'Volts' },
              { value: 'ohms', label: 'Ohms' },
            ]}
          />
        </div>
      </div>
      <Button mt="sm" variant="default" size="md" disabled={busy} onClick={() => measure(spotId, quantity)}>
        Measure
      </Button>
    </Card>
  );
}

function Toolbox({ begun, busy, look }: { begun: RoundBegun; busy: boolean; look(placeId: string): void }) {
  const [placeId, setPlaceId] = useState(begun.places[0]?.id ?? '');
  return (
    <Card title="Toolbox" heading="h2">
      <p className="faint">Open it up and look: what is wrong there is found and put right.</p>
      <NativeSelect
        label="Look at"
        value={placeId}
        onChange={(event) => setPlaceId(event.currentTarget.value)}
        data={begun.places.map(({ id, name }) => ({ value: id, label: capital(name) }))}
      />
      <Button mt="sm" variant="default" size="md" disabled={busy} onClick={() => look(placeId)}>
        Open and look
      </Button>
    </Card>
  );
}
