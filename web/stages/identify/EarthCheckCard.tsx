import { Button } from '@mantine/core';
import { useState } from 'react';
import { SOCKET_CORNERS, wiringFromEarths } from '../../../core/catalogue/finder.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import classes from './EarthCheck.module.css';

const WORDS = { standard: 'standard', ck: 'CK' } as const;

/** Standard or CK: which two contacts of the socket are earth, tapped on its picture. */
export function EarthCheckCard({ lamp }: { lamp: Lamp }) {
  const { job, edit } = useDesk();
  const [earths, setEarths] = useState<readonly number[]>([]);
  const twin = lampAcross(job.vehicle, lamp);
  const press = (corner: number) =>
    setEarths((now) =>
      now.includes(corner) ? now.filter((each) => each !== corner) : [...now, corner].slice(-2),
    );
  const [a, b] = earths;
  const result = a !== undefined && b !== undefined ? wiringFromEarths([a, b]) : null;
  const save = (wiring: 'standard' | 'ck' | null) =>
    edit(`${lamp.name}: ${wiring ? `wired ${WORDS[wiring]}` : 'wiring not known'}`, (draft) => {
      for (const each of draft.vehicle.lamps) {
        if (each.id !== lamp.id && each.id !== twin?.id) continue;
        if (wiring) each.socketWiring = wiring;
        else delete each.socketWiring;
      }
    });
  return (
    <Card
      title={
        lamp.socketWiring
          ? `Socket wired ${WORDS[lamp.socketWiring]}`
          : 'Standard or CK? Look at the earth contacts'
      }
    >
      <div className={classes.check}>
        <div className={classes.socket} role="group" aria-label="Contacts of the socket">
          {SOCKET_CORNERS.map((name, corner) => (
            <button
              key={name}
              type="button"
              aria-pressed={earths.includes(corner)}
              aria-label={`${name} contact is earth`}
              onClick={() => press(corner)}
            >
              {earths.includes(corner) ? 'earth' : ''}
            </button>
          ))}
        </div>
        <div>
          <ol>
            <li>Bulb out, everything off.</li>
            <li>Meter on continuity, one lead on bare body metal.</li>
            <li>Touch the four contacts in turn; mark here the two that beep.</li>
          </ol>
          <p role="status">
            {result === null && 'Two contacts are earth.'}
            {result === 'standard' && 'On opposite corners: standard wiring.'}
            {result === 'ck' && 'Both on one flank: CK wiring.'}
            {result === 'measure-again' &&
              'Two at one end are neither wiring: a lamp that is on, or a bad lead. Measure again.'}
          </p>
          <div className={classes.acts}>
            {(result === 'standard' || result === 'ck') && (
              <Button onClick={() => save(result)}>
                {`It is ${WORDS[result]}`}
                {twin ? ', and its twin' : ''}
              </Button>
            )}
            {lamp.socketWiring && (
              <Button variant="default" onClick={() => save(null)}>
                Don’t know yet
              </Button>
            )}
          </div>
        </div>
      </div>
      <Caution>
        The two wirings look alike. The wrong LED shorts the parking feed to earth and blows its fuse, or
        stays dark; plug-in resistor harnesses do not suit CK.
      </Caution>
    </Card>
  );
}
