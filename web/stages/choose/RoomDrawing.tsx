import { length } from '../../../core/formatting/units.ts';
import type { Bulb } from '../../../core/model/bulb.ts';
import type { LedPart } from '../../../core/model/part.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import classes from './RoomDrawing.module.css';

/** Drawn at so many pixels a millimetre. */
const PX = 1.15;
const MARGIN = 6;

/** Bulb, LED and room behind the lamp from one seat, to one scale: dashed the bulb, full the LED, hatched the wall. */
export function RoomDrawing({ lamp, stock, part }: { lamp: Lamp; stock: Bulb; part: LedPart }) {
  const { lengthMm: roomLong, diameterMm: roomWide } = lamp.room ?? {};
  const long = Math.max(stock.lengthMm, part.lengthMm, roomLong ?? 0);
  const wide = Math.max(stock.glassMm, part.diameterMm, roomWide ?? 0);
  const width = long * PX + 2 * MARGIN + 8;
  const height = wide * PX + 2 * MARGIN;
  const middle = height / 2;
  const box = (lengthMm: number, wideMm: number, radius: number) => ({
    x: MARGIN,
    y: middle - (wideMm * PX) / 2,
    width: lengthMm * PX,
    height: wideMm * PX,
    rx: radius,
  });
  const room =
    roomLong === undefined ? 'the room behind is not measured' : `${length(roomLong)} of room behind`;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className={classes.room}
      role="img"
      aria-label={`${part.code} is ${length(part.lengthMm)} long, the ${stock.names[0]} ${length(stock.lengthMm)}; ${room}`}
    >
      <path d={`M${MARGIN} ${MARGIN - 3}V${height - MARGIN + 3}`} className={classes.seat} />
      <rect {...box(stock.lengthMm, stock.glassMm, 8)} className={classes.bulb} />
      <rect {...box(part.lengthMm, part.diameterMm, 3)} className={classes.led} />
      {roomLong !== undefined && (
        <path
          d={`M${MARGIN + roomLong * PX} ${MARGIN - 3}V${height - MARGIN + 3}`}
          className={classes.wall}
          data-short={part.lengthMm > roomLong}
        />
      )}
    </svg>
  );
}
