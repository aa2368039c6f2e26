import classes from './CapsuleCard.module.css';

/** The capsule from behind: dashed the filament's plane, full the LED's. */
export function ClockDial({ filament, led }: { filament: number | undefined; led: number | undefined }) {
  return (
    <svg
      viewBox="-75 -75 150 150"
      width="150"
      height="150"
      className={classes.dial}
      role="img"
      aria-label={`Seen from behind: filament ${angle(filament)}, LED ${angle(led)}`}
    >
      <circle r="56" className={classes.face} />
      <path d="M-7 -56a7 7 0 0 0 14 0" className={classes.face} />
      <text x="0" y="-63" textAnchor="middle">
        0°
      </text>
      <text x="62" y="4">
        90
      </text>
      {filament !== undefined && (
        <path d="M0 -44V44" transform={`rotate(${filament})`} className={classes.filament} />
      )}
      {led !== undefined && <path d="M0 -34V34" transform={`rotate(${led})`} className={classes.led} />}
    </svg>
  );
}

function angle(degrees: number | undefined): string {
  return degrees === undefined ? 'not measured' : `${degrees}°`;
}
