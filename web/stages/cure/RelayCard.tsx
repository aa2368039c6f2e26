import { adjusterFor, mapRelay } from '../../../core/devices/relayMapping.ts';
import { amps } from '../../../core/formatting/format.ts';
import { length } from '../../../core/formatting/units.ts';
import { limitsOf } from '../../../core/judge/verdict.ts';
import type { FlasherPart } from '../../../core/model/part.ts';
import { limitWords } from '../../../core/words/findings.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { OptionalNumber } from '../../ui/OptionalNumber.tsx';
import classes from './RelayCard.module.css';
import { RelayWiring } from './RelayWiring.tsx';

/** The relay that is plugged in instead: its terminals against the old one's, by function; its screw; its height. */
export function RelayCard() {
  const { job, shelf, edit, board } = useDesk();
  const height = job.vehicle.facts?.relayRoomMm;
  const cure = job.vehicleCures.find((each) => each.kind === 'flasher-relay');
  const part = shelf.find(
    (each): each is FlasherPart =>
      each.kind === 'flasher' && cure?.kind === 'flasher-relay' && each.id === cure.partId,
  );
  if (!part || cure?.kind !== 'flasher-relay') return null;
  const rating = board && limitsOf(board.cured).find((limit) => limit.kind === 'relay');
  const mapped = mapRelay(job.vehicle.flasher, part, height);
  const rate = part.slowestRate + cure.position * (part.fastestRate - part.slowestRate);
  return (
    <Card title={`${part.code} in place of the ${job.vehicle.flasher.name}`}>
      <table className={classes.links}>
        <thead>
          <tr>
            <th>Function</th>
            <th>Old</th>
            <th>New</th>
            <th>So</th>
          </tr>
        </thead>
        <tbody>
          {mapped.links.map((link) => (
            <tr key={link.function} data-state={link.state}>
              <td>{link.function}</td>
              <td>
                <b>{link.from ?? 'none'}</b>
              </td>
              <td>
                <b>{link.to ?? 'none'}</b>
              </td>
              <td>{link.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <RelayWiring mapped={mapped} />
      <p>
        It starts from {amps(part.minAmps)}. {rating && limitWords(rating)}
      </p>
      {mapped.adapter ? (
        <div className={classes.adapter} role="note">
          <b>It needs an adapter.</b>
          <ul>
            {mapped.adapterLines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      ) : (
        <p>It plugs in as it is, by function. Compare the markings all the same, not the shapes.</p>
      )}
      {part.adjuster && <p>{adjusterFor(part, rate, 0).text}</p>}
      <div className={classes.height}>
        <OptionalNumber
          label="Room under the relay’s cover"
          description={`${part.code} is ${length(part.heightMm)} high.`}
          unit="mm"
          value={height}
          min={5}
          max={200}
          onSave={(value) =>
            edit('Room under the relay’s cover', (draft) => {
              const facts = { ...draft.vehicle.facts };
              if (value === undefined) delete facts.relayRoomMm;
              else facts.relayRoomMm = value;
              draft.vehicle.facts = facts;
            })
          }
        />
      </div>
      <Caution>{mapped.cautions.join(' ')}</Caution>
    </Card>
  );
}
