import { Button } from '@mantine/core';
import equal from 'fast-deep-equal';
import { useState } from 'react';
import type { ResistorPlan } from '../../../core/cures/loadResistor/plan.ts';
import type { ResistorChoice } from '../../../core/cures/loadResistor/search.ts';
import { inARow, ohms, volts, watts } from '../../../core/formatting/format.ts';
import { chargingVolts } from '../../../core/judge/workingPoints.ts';
import { useDesk } from '../../job/workspace.ts';
import { price } from '../../ui/money.ts';
import { useResistorShare } from '../../workers/useResistorPlan.ts';
import classes from './ResistorTable.module.css';
import { useChooseCure } from './useChooseCure.ts';

const FIRST_SHOWN = 5;
const MOST_SHOWN = 40;

/** The ranked resistor sets of the side, each ready to be picked for both sides. */
export function ResistorTable({
  plan,
  error,
  busy,
}: {
  plan: ResistorPlan | undefined;
  error: Error | null;
  busy: boolean;
}) {
  const { job, circuit } = useDesk();
  const choose = useChooseCure();
  const [all, setAll] = useState(false);
  if (error)
    return <p role="alert">The search stopped: {error.message} Change the choice of LED, or reload.</p>;
  if (!plan) return <Searching />;
  const { search } = plan;
  const now = job.cures[circuit.id] ?? null;
  if (search.none) {
    return (
      <>
        <p>{search.none}</p>
        {now && <Remove onClick={() => choose(null, 'No resistors')} />}
      </>
    );
  }
  const shown = search.choices.slice(0, all ? MOST_SHOWN : FIRST_SHOWN);
  return (
    <div aria-busy={busy}>
      <table className={classes.table}>
        <thead>
          <tr>
            <th>A side</th>
            <th className="figure">Together</th>
            <th className="figure">Heat, lit</th>
            <th className="figure">Most in one</th>
            <th className="figure">Price a side</th>
            <th>
              <span className="visually-hidden">Pick</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((choice) => {
            const picked = now !== null && equal(now, choice.cure);
            const name = setName(choice);
            return (
              <tr key={name} data-picked={picked}>
                <td>
                  {name}
                  <div className="faint">
                    {places(choice)}
                    {choice.onShelf ? ', on the shelf' : ', to buy'}
                  </div>
                </td>
                <td className="figure" data-label="together">
                  {ohms(choice.ohms)}
                </td>
                <td className="figure" data-label="heat, lit">
                  {watts(choice.litWatts)}
                </td>
                <td className="figure" data-label="most in one">
                  {watts(choice.hottestWatts)}
                </td>
                <td className="figure" data-label="price a side">
                  {price(choice.price)}
                </td>
                <td className={classes.pick}>
                  <Button
                    size="xs"
                    variant={picked ? 'filled' : 'default'}
                    aria-label={`${picked ? 'Picked' : 'Pick'} ${name}`}
                    onClick={() => choose(choice.cure, name)}
                  >
                    {picked ? 'Picked' : 'Pick'}
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className={classes.note}>
        {foundWords(search)} Watts at {volts(chargingVolts(job.vehicle.systemVolts))}, computed; printed watts
        hold on metal only. On the shelf first, then nearest to one a bulb, then least heat. Prices in the
        shop’s currency.
      </p>
      <div className={classes.actions}>
        {search.choices.length > FIRST_SHOWN && (
          <Button size="xs" variant="subtle" onClick={() => setAll(!all)}>
            {all ? 'Fewer' : `Show ${Math.min(MOST_SHOWN, search.choices.length)}`}
          </Button>
        )}
        {now && <Remove onClick={() => choose(null, 'No resistors')} />}
      </div>
    </div>
  );
}

/** What was found, of how many, and what was not tried. */
function foundWords({ choices, examined, more, spreadOver }: ResistorPlan['search']): string {
  const found = `${choices.length} sets hold at every volt, tolerance counted, of ${examined.toLocaleString()} there are.`;
  const beyond =
    more > 0 ? ` They are the best; ${more.toLocaleString()} more hold, their heat not looked at.` : '';
  const tried =
    spreadOver === null
      ? ''
      : ` So many resistors cannot all be tried together: pairs of the least heat, and threes and fours of ${spreadOver} values spread over theirs, were.`;
  return found + beyond + tried;
}

function Searching() {
  const share = useResistorShare();
  return (
    <div role="status">
      <p className="faint">Searching the sets of one to four resistors.</p>
      <progress value={share} max={1} aria-label="How far the search is" />
    </div>
  );
}

function Remove({ onClick }: { onClick(): void }) {
  return (
    <Button size="xs" variant="subtle" onClick={onClick}>
      Take the resistors out again
    </Button>
  );
}

/** `2 × 6 Ω 50 W`, `10, 10 and 8 Ω, 50 W each`, `25 Ω 25 W and 6 Ω 50 W`. */
function setName({ pieces }: ResistorChoice): string {
  const parts = pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`);
  const first = pieces[0];
  if (!first) return '';
  if (pieces.length > 1 && new Set(parts).size === 1) return `${parts.length} × ${parts[0]}`;
  if (pieces.length > 1 && pieces.every((piece) => piece.watts === first.watts)) {
    return `${inARow(pieces.map((piece) => String(piece.ohms)))} Ω, ${watts(first.watts)} each`;
  }
  return inARow(parts);
}

function places(choice: ResistorChoice): string {
  const ends = choice.cure.networks.map((network) => network.lampId.replace(/-(left|right)$/, ''));
  const joined =
    choice.pieces.length === 1 ? '' : choice.connection === 'series' ? 'in a row, ' : 'side by side, ';
  return `${joined}at ${inARow(ends)}`;
}
