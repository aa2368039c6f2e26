import { Button } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { connectorOfLamp } from '../../../core/wiring/connectors.ts';
import { isProved } from '../../../core/wiring/feedProof.ts';
import type { SaidStep } from '../../../core/words/work/sayStep.ts';
import { minutesLeft } from '../../../core/work/fitSteps.ts';
import { nextStep, stepDone, stepState } from '../../../core/work/steps/stepState.ts';
import { useDesk } from '../../job/workspace.ts';
import { writer } from '../../store/writer.ts';
import { Card } from '../../ui/Card.tsx';
import { shortMoment } from '../../ui/dates.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import type { ShownPlan } from '../../workers/useFitting.ts';
import classes from './Fit.module.css';
import { HelperView } from './hand/HelperView.tsx';
import { MakeSafeDialog } from './hand/MakeSafeDialog.tsx';
import { PanelProgress } from './hand/PanelProgress.tsx';
import { useReadAloud } from './hand/useReadAloud.ts';
import { useSpace } from './hand/useSpace.ts';
import { useStepActs } from './hand/useStepActs.ts';
import { useStepSwipe } from './hand/useStepSwipe.ts';
import { useWakeLock } from './hand/useWakeLock.ts';
import { StepCard, type Tool } from './step/StepCard.tsx';
import { UnprovedDialog } from './step/UnprovedDialog.tsx';

/** One step at a time, in the best order: big targets, for hands in gloves. */
export function StepsView({ plan, onWiring }: { plan: ShownPlan; onWiring(connectorId: string): void }) {
  const { job, edit, selectLamp } = useDesk();
  const { steps } = plan;
  const acts = useStepActs();
  // A step is held by its name: what changes elsewhere in the plan does not move the one in hand.
  const [at, setAt] = useState(() => job.leftOff?.stepId ?? steps[nextStep(job, steps)]?.id);
  const [tool, setTool] = useState<Tool | null>(null);
  const [helping, setHelping] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const [asking, setAsking] = useState(false);
  const [more, setMore] = useState(false);
  const body = useRef<HTMLDivElement>(null);
  const voice = useReadAloud();
  const held = steps.findIndex(({ id }) => id === at);
  const index = held >= 0 ? held : nextStep(job, steps);
  const step = steps[index];
  const lampId = step?.lampId ?? null;
  const left = steps.filter((each) => !stepDone(job, each));
  useWakeLock(left.length > 0 && left.length < steps.length);
  useEffect(() => {
    if (lampId) selectLamp(lampId);
  }, [lampId, selectLamp]);

  const go = (to: number) => {
    const next = steps[Math.max(0, Math.min(steps.length - 1, to))];
    if (!next) return;
    setAt(next.id);
    setTool(null);
    voice?.stop();
    body.current?.scrollTo?.({ top: 0 });
    showOnLow(body.current);
  };
  useEffect(() => showOnLow(body.current), []);
  const swipe = useStepSwipe(
    () => go(index + 1),
    () => go(index - 1),
  );
  const finish = () => {
    if (!step) return;
    const following = steps.slice(index + 1).find((each) => stepState(job, each) === 'open');
    acts.done(step, following);
    setAsking(false);
    go(following ? steps.indexOf(following) : index + 1);
  };
  const toggle = () => {
    if (!step || asking || leaving) return;
    if (job.fit[step.id]?.doneAt) acts.notDone(step);
    else if (step.blocked) return;
    else if (needsProof(step)) setAsking(true);
    else finish();
  };
  useSpace(toggle);
  if (!step) {
    return (
      <Card title="Work list">
        <p>
          Nothing to fit yet. Choose LEDs, and the steps appear here in the order that opens each panel once.
        </p>
      </Card>
    );
  }
  const undo = () => writer.undo(job.id).catch((error: Error) => tellTrouble(error));
  const done = steps.length - left.length;
  const [low, high] = minutesLeft(steps, (id) => !left.some((each) => each.id === id));
  const wiringOf = (each: SaidStep) =>
    (each.lampId && connectorOfLamp(job.vehicle, each.lampId)?.connector.id) || undefined;
  const use = (next: Tool) => setTool((now) => (now === next ? null : next));
  return (
    <div className={classes.grid}>
      <ol className={classes.list} aria-label="Steps">
        {steps.map((each, place) => (
          <li key={each.id}>
            <button
              type="button"
              aria-current={place === index ? 'step' : undefined}
              data-done={stepDone(job, each)}
              onClick={() => go(place)}
            >
              <Tick state={stepState(job, each)} />
              <span>
                {each.title}
                <span className={classes.place}>{each.place}</span>
              </span>
            </button>
          </li>
        ))}
      </ol>
      <div className={classes.step}>
        <div className={classes.progress}>
          <span>
            {done} of {steps.length} done
          </span>
          <span>
            {Math.round(low)} to {Math.round(high)} min left, typical
          </span>
          <progress value={done} max={steps.length} aria-label="Steps done" />
        </div>
        <div ref={body} className={classes.body} {...swipe}>
          {job.leftOff && (
            <p className={classes.leftOff} role="status">
              Left off {shortMoment(job.leftOff.at)}, made safe. What was put back for that comes off again.
              <Button
                size="xs"
                variant="subtle"
                onClick={() => edit('Back at it', (draft) => void delete draft.leftOff)}
              >
                Back at it
              </Button>
            </p>
          )}
          <div className={classes.tools}>
            <PanelProgress
              job={job}
              steps={steps}
              current={step.openingId}
              onChoose={(openingId) => {
                const own = steps.filter((each) => each.openingId === openingId);
                const next = own.find((each) => !stepDone(job, each)) ?? own[0];
                if (next) go(steps.indexOf(next));
              }}
            />
            <span className={classes.aids}>
              <Button
                variant={helping ? 'filled' : 'default'}
                aria-pressed={helping}
                onClick={() => setHelping(!helping)}
              >
                Helper
              </Button>
              <Button variant="default" onClick={() => window.print()}>
                Print
              </Button>
              {voice && (
                <Button
                  variant={voice.reading ? 'filled' : 'default'}
                  onClick={() => (voice.reading ? voice.stop() : voice.read(wordsOf(step)))}
                >
                  {voice.reading ? 'Quiet' : 'Read aloud'}
                </Button>
              )}
            </span>
          </div>
          {helping ? (
            <HelperView step={step} />
          ) : (
            <StepCard
              key={step.id}
              step={step}
              number={index + 1}
              of={steps.length}
              tool={tool}
              steps={steps}
              plugId={wiringOf(step)}
              onWiring={() => onWiring(wiringOf(step) ?? '')}
            />
          )}
        </div>
        <div className={classes.actions}>
          <Button variant="default" size="xl" disabled={index === 0} onClick={() => go(index - 1)}>
            Back
          </Button>
          {/* The second press of a double click belongs to the step before, not to this one. */}
          <Button
            size="xl"
            className={classes.go}
            disabled={step.blocked !== undefined && !job.fit[step.id]?.doneAt}
            onClick={(event) => event.detail < 2 && toggle()}
          >
            {job.fit[step.id]?.doneAt ? 'Not done after all' : 'Done'}
          </Button>
          <Button
            variant="default"
            size="xl"
            disabled={index === steps.length - 1}
            onClick={() => go(index + 1)}
          >
            Next
          </Button>
          <div className={classes.more}>
            <Button variant="default" onClick={undo}>
              Undo
            </Button>
            <Button variant={tool === 'trouble' ? 'filled' : 'default'} onClick={() => use('trouble')}>
              Trouble
            </Button>
            <Button variant="default" onClick={() => setLeaving(true)}>
              Make safe
            </Button>
            <Button variant={more ? 'filled' : 'default'} aria-expanded={more} onClick={() => setMore(!more)}>
              More
            </Button>
            {more && (
              <>
                <Button variant={tool === 'wait' ? 'filled' : 'default'} onClick={() => use('wait')}>
                  Waiting
                </Button>
                <Button variant={tool === 'lost' ? 'filled' : 'default'} onClick={() => use('lost')}>
                  Broken
                </Button>
                <Button variant={tool === 'note' ? 'filled' : 'default'} onClick={() => use('note')}>
                  Note
                </Button>
                <Button variant={tool === 'timer' ? 'filled' : 'default'} onClick={() => use('timer')}>
                  Timer
                </Button>
              </>
            )}
          </div>
        </div>
      </div>
      {leaving && <MakeSafeDialog steps={steps} at={step} onClose={() => setLeaving(false)} />}
      {asking && (
        <UnprovedDialog
          step={step}
          onClose={() => setAsking(false)}
          onProve={() => onWiring(wiringOf(step) ?? '')}
          onDone={finish}
        />
      )}
    </div>
  );
}

/** A resistor is not joined to a wire nobody has proved without a word. */
function needsProof({ kind, load }: SaidStep): boolean {
  return kind === 'tap' && load !== undefined && !(load.proof.feed && isProved(load.proof.feed));
}

function wordsOf({ place, title, text, cautions, ticks }: SaidStep): string {
  return [place, title, text, ...(ticks ?? []).map(({ label }) => label), ...cautions]
    .map((each) => each.replace(/\.?$/, '.'))
    .join(' ');
}

const TICK_WORDS = {
  done: 'done',
  waiting: 'waits for a part',
  blocked: 'cannot be done yet',
  open: 'open',
} as const;

function Tick({ state }: { state: keyof typeof TICK_WORDS }) {
  const done = state === 'done';
  return (
    <svg width="18" height="18" viewBox="0 0 14 14" role="img" aria-label={TICK_WORDS[state]}>
      <path
        d="M2 2h5a5 5 0 0 1 0 10H2z"
        fill={done ? 'var(--petrol)' : 'none'}
        stroke={done ? 'var(--petrol)' : 'var(--line2)'}
        strokeWidth="1.4"
        strokeDasharray={state === 'waiting' || state === 'blocked' ? '2 1.6' : undefined}
      />
    </svg>
  );
}

/** On a low screen a step scrolls with all that is above it: it is brought to the top. */
function showOnLow(body: HTMLElement | null): void {
  if (window.matchMedia('(max-height: 480px)').matches) body?.scrollIntoView({ block: 'start' });
}
