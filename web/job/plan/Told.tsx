import { type DashEvent, eventKey } from '../../../core/devices/device.ts';
import type { Vehicle } from '../../../core/model/vehicle/vehicle.ts';
import type { Traces } from '../../../core/traces/traceLamps.ts';
import { effectWords } from '../../../core/words/effects.ts';
import { eventWords } from '../../../core/words/events.ts';
import classes from './DashStrip.module.css';

/** What the dash tells, what was stored, and what the circuit did that a rule of thumb would not have told. */
export default function Told({ traces, vehicle }: { traces: Traces; vehicle: Vehicle }) {
  return (
    <div className={classes.said}>
      {traces.effects.map((effect) => {
        const { title, text } = effectWords(vehicle, effect);
        return (
          <details key={`${effect.id} ${effect.lampIds.join()}`} className={classes.effect}>
            <summary>{title}</summary>
            <p>{text}</p>
          </details>
        );
      })}
      {traces.events.length > 0 && (
        <ul className={classes.events} aria-label="Messages, codes and fuses">
          {told(traces.events).map(({ event, text }) => (
            <li key={eventKey(event)} data-kind={event.kind}>
              {text}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** A message and the code stored with it are one line. */
function told(events: readonly DashEvent[]): { event: DashEvent; text: string }[] {
  return events.flatMap((event) => {
    if (event.kind === 'code') return [];
    const code =
      event.kind === 'message' && event.by === 'output'
        ? events.find((each) => each.kind === 'code' && each.circuitId === event.circuitId)
        : undefined;
    const text = eventWords(event);
    return [{ event, text: code ? `${text}: ${eventWords(code)}` : text }];
  });
}
