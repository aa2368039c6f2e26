import { throughLens } from '../../../core/light/throughLens.ts';
import type { Bulb } from '../../../core/model/bulb.ts';
import type { LedPart } from '../../../core/model/part.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { coloursFor } from '../../../core/vehicle/lampWork.ts';
import { useDesk } from '../../job/workspace.ts';
import classes from './LensLight.module.css';

/** Filament and LED behind the lens of this lamp, side by side: as the eye would see them, and in figures. */
export function LensLight({ lamp, bulb, part }: { lamp: Lamp; bulb: Bulb; part: LedPart }) {
  const { vehicle } = useDesk().job;
  const { filament, led, ratio } = throughLens(vehicle.region, lamp, bulb, part);
  const wanted = coloursFor(vehicle, lamp).map((colour) => (colour === 'warm' ? 'white' : colour));
  const right = led.zone !== null && wanted.includes(led.zone);
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  return (
    <div className={classes.lens}>
      <svg width="76" height="34" viewBox="0 0 76 34" aria-hidden="true">
        <path d="M36 2V32H14A13 13 0 0 1 2 19V13Q2 2 13 2Z" fill={filament.colour} />
        <path d="M40 2V32H62A13 13 0 0 0 74 19V13Q74 2 63 2Z" fill={led.colour} />
      </svg>
      <p>
        Behind {lamp.lens} glass: {Math.round(led.lumens)} lm, {percent(led.kept)} kept; the {bulb.names[0]}{' '}
        gives {Math.round(filament.lumens)} lm, so {times(ratio)}.{' '}
        <span className={classes.zone} data-right={right}>
          {led.zone === null
            ? `Its colour lies in no zone of the rules (x ${led.at.x.toFixed(3)}, y ${led.at.y.toFixed(3)}).`
            : `It shows ${led.zone}${right ? '' : `, where ${wanted[0]} is asked for`}.`}
        </span>
      </p>
    </div>
  );
}

/** `1.4 times as bright`, `about as bright`, `0.6 times as bright`. */
function times(ratio: number): string {
  return Math.abs(ratio - 1) < 0.05 ? 'about as bright' : `${ratio.toFixed(1)} times as bright`;
}
