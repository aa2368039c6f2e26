import { SegmentedControl } from '@mantine/core';
import { lazy, memo, Suspense, useDeferredValue, useMemo } from 'react';
import type { CureBoard } from '../../../core/cures/board/board.ts';
import type { CureReport } from '../../../core/cures/compare/evaluate.ts';
import { type CureScope, circuitScope, turnScope } from '../../../core/cures/compare/scope.ts';
import type { ResistorPlan } from '../../../core/cures/loadResistor/plan.ts';
import type { CircuitVerdict } from '../../../core/judge/verdict.ts';
import { flashes } from '../../../core/model/scope.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { isOneOfSeveral, lampIdsOf } from '../../../core/model/vehicle/lookUp.ts';
import { rateWords } from '../../../core/words/rates.ts';
import { useDesk } from '../../job/workspace.ts';
import { FurtherDown } from '../../ui/FurtherDown.tsx';
import { Gradually } from '../../ui/Gradually.tsx';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import type { Answer } from '../../workers/useAnswer.ts';
import { useCureReports } from '../../workers/useCureReports.ts';
import { useResistorPlan } from '../../workers/useResistorPlan.ts';
import { useSteadyCures } from '../../workers/useSteadyCures.ts';
import { BestCure } from './BestCure.tsx';
import { Board } from './Board.tsx';
import classes from './Cure.module.css';
import { useCircuitInHand, useInHand } from './useInHand.ts';
import { useRanking } from './useRanking.ts';

// The verdict comes first; the rest is loaded while it is worked out, what stands further down last.
const Reason = lazy(() => import('./Reason.tsx').then((module) => ({ default: module.Reason })));
const LoadGauge = lazy(() => import('./LoadGauge.tsx').then((module) => ({ default: module.LoadGauge })));
const TrialCard = lazy(() => import('./TrialCard.tsx').then((module) => ({ default: module.TrialCard })));
const CureTable = lazy(() => import('./CureTable.tsx').then((module) => ({ default: module.CureTable })));
const Details = lazy(() => import('./Details.tsx').then((module) => ({ default: module.Details })));
const SupplySlider = lazy(() =>
  import('./SupplySlider.tsx').then((module) => ({ default: module.SupplySlider })),
);
const CautionsCard = lazy(() =>
  import('./CautionsCard.tsx').then((module) => ({ default: module.CautionsCard })),
);

/** The cures that were tried, and for which circuits: a cure of one must never be taken for another. */
interface Tried {
  scope: CureScope;
  cures: readonly CureReport[] | undefined;
  error: Error | null;
  busy: boolean;
  /** nothing is wrong without a cure */
  quiet: boolean;
}

/** What the workers answer is drawn in slices, and what it replaces stays until then. */
export default function Cure() {
  const { job, shelf, circuit: turn } = useDesk();
  const circuit = useCircuitInHand();
  const turning = circuit.kind === 'turn';
  const plan = useResistorPlan(job, shelf, turn, turning);
  const turnCures = useCureReports(job, shelf, turn, turning);
  const steadyCures = useSteadyCures(job, shelf, !turning);
  const tried = useMemo((): Tried => {
    const { error, isFetching: busy } = turning ? turnCures : steadyCures;
    if (turning) return { scope: turnScope(job.vehicle), cures: turnCures.data, error, busy, quiet: false };
    const mine = steadyCures.data?.find((each) => each.circuitId === circuit.id);
    const quiet = steadyCures.data !== undefined && mine === undefined;
    return { scope: circuitScope(circuit), cures: mine?.cures, error, busy, quiet };
  }, [turning, circuit, job.vehicle, turnCures, steadyCures]);
  return <Stage plan={useDeferredValue(plan)} tried={useDeferredValue(tried)} />;
}

/** All circuits on a board; then the one in hand: its gauge, every cure tried on it, and the details of its cure. */
const Stage = memo(function Stage({ plan, tried }: { plan: Answer<ResistorPlan>; tried: Tried }) {
  const { job, board, judging, boardTrouble } = useDesk();
  const inHand = useInHand();
  const { circuit } = inHand;
  const converted = lampIdsOf(circuit).some((id) => job.chosen[id]);
  const ranking = useRanking(tried.cures);
  if (board?.rows.length === 0)
    return (
      <div className={classes.cure}>
        <Board board={board} error={boardTrouble} busy={judging} inHand={inHand} open={[]} />
      </div>
    );
  return (
    <div className={classes.cure}>
      <Gradually begin={2}>
        <Board
          board={board}
          error={boardTrouble}
          busy={judging}
          inHand={inHand}
          open={flashes(job) ? (board?.open ?? []) : []}
        />
        <section className={classes.gauge} aria-label="The circuit in hand">
          <Head circuit={circuit} take={inHand.take} board={board} />
          {tried.cures && <BestCure ranking={ranking} scope={tried.scope} />}
          {!tried.cures && !tried.quiet && <p className={classes.best}>Trying every cure on this vehicle.</p>}
          {tried.quiet && <p className={classes.best}>Nothing is wrong with it without a cure of its own.</p>}
          <Suspense fallback={<div className={classes.waiting} />}>
            <LoadGauge circuit={circuit} waits={board === null && boardTrouble === null} />
            <SupplySlider />
          </Suspense>
        </section>
        {tried.error && (
          <p role="alert">
            The cures could not be tried: {tried.error.message} Change the choice of LED, or reload.
          </p>
        )}
        {/* Each boundary comes with what it waits for: one that stood there before would hold back the verdict too. */}
        <FurtherDown>
          <Gradually>
            {converted && (
              <Suspense fallback={null}>
                <TrialCard key={circuit.id} circuit={circuit} />
              </Suspense>
            )}
            {tried.cures && (
              <Suspense fallback={<p className="faint">Opening the comparison.</p>}>
                <CureTable
                  key={tried.scope.circuits[0]?.id}
                  ranking={ranking}
                  scope={tried.scope}
                  busy={tried.busy}
                />
              </Suspense>
            )}
            {board && (
              <Suspense fallback={null}>
                <Details inHand={inHand} plan={plan} verdict={board.cured} />
                <CautionsCard verdict={board.cured} />
              </Suspense>
            )}
          </Gradually>
        </FurtherDown>
      </Gradually>
    </div>
  );
});

/** The circuit in hand with its verdict and why; where its row is of both sides, the one or the other. */
function Head({
  circuit,
  take,
  board,
}: {
  circuit: Circuit;
  take(circuitId: string): void;
  board: CureBoard | null;
}) {
  const { job } = useDesk();
  const shown = [...(board?.cured.circuits ?? []), ...(board?.steady ?? [])].find(
    (each) => each.circuitId === circuit.id,
  );
  const converted = lampIdsOf(circuit).some((id) => job.chosen[id]);
  const several = isOneOfSeveral(job.vehicle, circuit);
  const together = board?.rows.find((row) => row.id !== 'hazard' && row.circuitIds.includes(circuit.id));
  const sides = job.vehicle.circuits.filter(
    (each) =>
      each.side !== null &&
      (each.kind === 'turn' ? circuit.kind === 'turn' : together?.circuitIds.includes(each.id)),
  );
  return (
    <>
      <div className={classes.head}>
        <h3>
          {circuit.kind === 'turn' && !several
            ? `${circuit.side === 'left' ? 'Left' : 'Right'} turn`
            : circuit.name}
          , {circuit.feeds.length} {circuit.feeds.length === 1 ? 'lamp' : 'lamps'}
        </h3>
        {shown && <VerdictBadge state={shown.state} {...detailOf(shown, several)} />}
        {sides.length > 1 && sides.includes(circuit) && (
          <div className={classes.which}>
            {/* It measures itself: after the verdict is on the screen, or all of that would be laid out in one go. */}
            <Gradually begin={0}>
              <SegmentedControl
                aria-label="Circuit"
                size="xs"
                value={circuit.id}
                onChange={take}
                data={sides.map((each) => ({
                  value: each.id,
                  label: several ? each.name.replace(/ turn$/, '') : each.side === 'left' ? 'Left' : 'Right',
                }))}
              />
            </Gradually>
          </div>
        )}
      </div>
      <p className={classes.reason}>
        <Suspense fallback="Judging.">{shown ? <Reason verdict={shown} /> : 'Judging.'}</Suspense>{' '}
        {!converted && 'No LED is chosen on it yet: go to Choose.'}
      </p>
    </>
  );
}

/** @param several whether it is one of several outputs of its side, which hurry together */
function detailOf({ state, rate }: CircuitVerdict, several = false): { detail?: string } {
  if (rate === null) return {};
  switch (state) {
    case 'holds':
      return { detail: several ? `the side flashes at ${rateWords(rate)}` : `flashes at ${rateWords(rate)}` };
    case 'falls-short':
      return { detail: rate.high > 0 ? `flashes fast, ${rateWords(rate)}` : 'does not flash' };
    case 'too-much':
      return { detail: 'over a limit' };
    case 'either-way':
      return { detail: rateWords(rate) };
  }
}
