import type { RefObject } from 'react';
import type { DashEvent } from '../../../core/devices/device.ts';
import type { Vehicle } from '../../../core/model/vehicle/vehicle.ts';
import type { Controls } from '../../../core/simulation/controls.ts';
import classes from './Telltales.module.css';

const ARROWS = { left: 'M26 3v6h-10v8h10v6L4 13z', right: 'M36 3v6h10v8H36v6l22-10z' } as const;

/** The two turn arrows; whoever plays the flash lights them. */
export function TurnArrows({
  arrows,
}: {
  arrows: Record<'left' | 'right', RefObject<SVGPathElement | null>>;
}) {
  return (
    <svg width="62" height="26" viewBox="0 0 62 26" role="img" aria-label="Turn telltales">
      {(['left', 'right'] as const).map((side) => (
        <g key={side}>
          <path d={ARROWS[side]} className={classes.dark} />
          <path ref={arrows[side]} d={ARROWS[side]} className={classes.lit} />
        </g>
      ))}
    </svg>
  );
}

interface TelltalesProps {
  controls: Controls;
  events: readonly DashEvent[];
  vehicle: Vehicle;
}

/** The other lights of the dash, a word for each, lit or dark. */
export function Telltales({ controls, events, vehicle }: TelltalesProps) {
  const missing = events.some((event) => event.kind === 'message');
  const stored = events.filter((event) => event.kind === 'code').length;
  const watches = vehicle.flasher.kind === 'controller' || vehicle.bulbCheck !== undefined;
  const charge = vehicle.circuits.some((circuit) => circuit.kind === 'charge');
  return (
    <ul className={classes.words}>
      <Word text="lights" on={controls.lights} />
      {charge && <Word text="charge" on={controls.key === 'on'} />}
      {watches && <Word text="bulb" on={missing} warn />}
      {vehicle.flasher.kind === 'controller' && (
        <Word
          text={stored === 0 ? 'no codes' : `${stored} ${stored === 1 ? 'code' : 'codes'}`}
          on={stored > 0}
          warn
        />
      )}
    </ul>
  );
}

function Word({ text, on, warn = false }: { text: string; on: boolean; warn?: boolean }) {
  return (
    <li data-on={on} data-warn={warn}>
      {text}
      <span className="visually-hidden">{on ? ' on' : ' off'}</span>
    </li>
  );
}
