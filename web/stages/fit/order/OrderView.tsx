import { SegmentedControl } from '@mantine/core';
import type { WorkHabits } from '../../../../core/model/job.ts';
import { doneBefore } from '../../../../core/work/steps/stepState.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { shortMoment } from '../../../ui/dates.ts';
import type { ShownPlan } from '../../../workers/useFitting.ts';
import classes from './Order.module.css';

interface Habit<K extends keyof WorkHabits> {
  key: K;
  asked: string;
  choices: readonly { value: string; label: string; is: WorkHabits[K] }[];
  why: string;
}

const habit = <K extends keyof WorkHabits>(each: Habit<K>) => each;

/** Where the trade disagrees: each way is supported, the first is the default and says why. */
const HABITS = [
  habit({
    key: 'sides',
    asked: 'Sides',
    choices: [
      { value: 'one', label: 'one first', is: 'one-first' },
      { value: 'both', label: 'both together', is: 'both' },
    ],
    why: 'One side first, by default: it is compared with the other while that is still stock, and a mistake is made once.',
  }),
  habit({
    key: 'testing',
    asked: 'Test each lamp',
    choices: [
      { value: 'before', label: 'before closing', is: 'before-closing' },
      { value: 'after', label: 'after the work', is: 'after' },
    ],
    why: 'Before closing, by default: trim reopened is what costs hours.',
  }),
  habit({
    key: 'helper',
    asked: 'In the seat',
    choices: [
      { value: 'alone', label: 'nobody', is: false },
      { value: 'helper', label: 'a helper', is: true },
    ],
    why: 'With a helper each lamp is seen lit where it is; alone, the switches are worked once a round.',
  }),
  habit({
    key: 'joints',
    asked: 'Joints',
    choices: [
      { value: 'crimps', label: 'crimp and shrink', is: 'crimps' },
      { value: 'taps', label: 'taps inside', is: 'taps-inside' },
    ],
    why: 'Crimp and seal, by default; taps of the wire’s own size only where it stays dry.',
  }),
  habit({
    key: 'battery',
    asked: 'Battery off',
    choices: [
      { value: 'needed', label: 'where needed', is: 'where-needed' },
      { value: 'all', label: 'throughout', is: 'throughout' },
    ],
    why: 'Key out for lamp plugs; off near airbags and controllers, by default.',
  }),
  habit({
    key: 'relay',
    asked: 'Flasher and settings',
    choices: [
      { value: 'last', label: 'after the lamps', is: 'last' },
      { value: 'first', label: 'before them', is: 'first' },
    ],
    why: 'After the lamps, by default: until then the stock side still tells what is normal.',
  }),
] as const;

const minutes = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} min`;

/** Why the work is in this order, what it saves, and how the installer works. */
export function OrderView({ plan }: { plan: ShownPlan }) {
  const { job, edit } = useDesk();
  const { route, habits, steps, openingSavedMinutes } = plan;
  const gap = route.walkMinutes - route.atLeastMinutes;
  const before = doneBefore(job, steps);
  const set = <K extends keyof WorkHabits>(key: K, value: WorkHabits[K]) =>
    edit('How the work is done', (draft) => {
      draft.habits = { ...habits, [key]: value };
    });
  return (
    <div className={classes.view}>
      <Card title="Why in this order">
        <ul className={classes.reasons}>
          {plan.reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
        <dl className={classes.figures}>
          <div>
            <dt>Walking</dt>
            <dd>{minutes(route.walkMinutes)}</dd>
          </div>
          {route.lampByLampMinutes > route.walkMinutes && (
            <div>
              <dt>Lamp by lamp</dt>
              <dd>{minutes(route.lampByLampMinutes)}</dd>
            </div>
          )}
          <div>
            <dt>Opening saved</dt>
            <dd>{minutes(openingSavedMinutes)}</dd>
          </div>
        </dl>
        <p className="faint">
          {gap > 0.01
            ? `Computed; no order of these rounds needs less than ${minutes(route.atLeastMinutes)}.`
            : 'Computed over every order of these rounds: none needs less walking.'}{' '}
          Sizes of vehicles and pace are typical.
        </p>
      </Card>
      <Card title="How you work">
        <div className={classes.habits}>
          {HABITS.map((each) => (
            <div key={each.key} className={classes.habit}>
              <span id={`habit-${each.key}`}>{each.asked}</span>
              <SegmentedControl
                aria-labelledby={`habit-${each.key}`}
                size="md"
                value={each.choices.find(({ is }) => is === habits[each.key])?.value ?? ''}
                data={each.choices.map(({ value, label }) => ({ value, label }))}
                onChange={(value) => {
                  const choice = each.choices.find((one) => one.value === value);
                  if (choice) set(each.key, choice.is);
                }}
              />
              <p className="faint">{each.why}</p>
            </div>
          ))}
        </div>
      </Card>
      {before.length > 0 && (
        <Card title="Done before">
          <p className="faint">Ticked off under an earlier plan that had these steps:</p>
          <ul className={classes.reasons}>
            {before.map(({ id, doneAt }) => (
              <li key={id}>
                {id.replaceAll('-', ' ')}, {shortMoment(doneAt)}
              </li>
            ))}
          </ul>
        </Card>
      )}
    </div>
  );
}
