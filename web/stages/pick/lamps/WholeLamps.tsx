import type { WholeLampPart } from '../../../../core/model/part.ts';
import type { Lamp } from '../../../../core/model/vehicle/lamp.ts';
import { bulbsMoved } from '../../../../core/simulation/bulbsMoved.ts';
import { type PinRow, pinMapOf } from '../../../../core/wiring/wholeLampPins.ts';
import { pinChangeWords } from '../../../../core/words/pinMap.ts';
import { misfitWords } from '../../../../core/words/work/lamp.ts';
import { wholeLampAt } from '../../../../core/work/steps/lampSteps.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { Scrolls } from '../../../ui/Scrolls.tsx';
import classes from './Lamps.module.css';

const CHANGE: Record<PinRow['change'], string> = {
  same: 'same',
  moved: 'moved',
  joined: 'joined',
  doubled: 'doubled',
  capped: 'capped',
  'no-wire': 'missing',
  unknown: 'not looked at',
};

/** Every whole lamp of the plan: its plug against the old one pin by pin, and what moves over into it. */
export function WholeLamps() {
  const { job, shelf } = useDesk();
  const wholes = job.vehicle.lamps.flatMap((lamp) => {
    const whole = wholeLampAt(job, shelf, lamp);
    return whole?.lead ? [{ lamp, part: whole.part }] : [];
  });
  if (wholes.length === 0)
    return (
      <Card title="Whole lamps">
        <p>No whole lamp is chosen. Choose one on the Choose stage, or put a kit into the plan.</p>
      </Card>
    );
  return wholes.map(({ lamp, part }) => <OneWhole key={lamp.id} lamp={lamp} part={part} />);
}

function OneWhole({ lamp, part }: { lamp: Lamp; part: WholeLampPart }) {
  const { job } = useDesk();
  const pins = pinMapOf(job.vehicle, lamp, part);
  const bulbs = bulbsMoved(job, lamp, part);
  const modules = [...part.movesOver, ...(lamp.module ? [lamp.module] : [])];
  return (
    <Card title={`${part.code} in the place of ${lamp.name.toLowerCase()}`}>
      <Scrolls label={`Plug of ${part.code} against the old one`} className={classes.scroll}>
        <table>
          <thead>
            <tr>
              <th>New cavity</th>
              <th>For</th>
              <th>Wire of the new lamp</th>
              <th>Old cavity</th>
              <th>What is done</th>
            </tr>
          </thead>
          <tbody>
            {pins.rows.map((row, at) => (
              <tr key={row.cavity}>
                <td>{row.cavity}</td>
                <td>{row.does}</td>
                <td>{part.pinMap[at]?.colour ?? 'not written down'}</td>
                <td>{row.from.map(({ id }) => id).join(', ') || (pins.old ? 'none' : 'not looked at')}</td>
                <td data-change={row.change}>{CHANGE[row.change]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
      {!pins.old && (
        <p className="faint">
          Nobody has looked at the old plug: its wires are entered on Fit, under Wiring, and then each is
          told.
        </p>
      )}
      {pinChangeWords(job.vehicle, pins).map((words) => (
        <Caution key={words}>{words}</Caution>
      ))}
      <h4 className={classes.head}>Moves over from the old lamp</h4>
      {bulbs.length + modules.length === 0 && <p>Nothing, as far as its record goes.</p>}
      <ul className={classes.list}>
        {bulbs.map((moved) => (
          <li key={moved.lamp.id}>
            {moved.bulb} of the {moved.lamp.name.toLowerCase()}: base {moved.base}, socket {moved.socket},{' '}
            {moved.fits ? 'fits' : <b>does not fit</b>}
          </li>
        ))}
        {modules.map((what) => (
          <li key={what}>{what}</li>
        ))}
      </ul>
      {bulbs
        .filter(({ fits }) => !fits)
        .map((moved) => (
          <Caution key={moved.lamp.id}>{misfitWords(moved)}</Caution>
        ))}
      <p className="faint">Fit asks for each of them as a tick.</p>
    </Card>
  );
}
