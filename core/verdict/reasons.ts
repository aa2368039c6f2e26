import { amps, volts, voltsList } from '../quantities/format.ts';
import type { LimitCheck } from './limits.ts';
import type { VerdictState } from './states.ts';
import type { JudgedPoint } from './verdict.ts';

interface Grounds {
  state: VerdictState;
  points: readonly JudgedPoint[];
  worst: JudgedPoint;
  limits: readonly LimitCheck[];
}

/** Why one side's verdict is what it is, in one or two sentences with the deciding figures. */
export function circuitReason({ state, points, worst, limits }: Grounds): string {
  if (state === 'too-much') return broken(limits);
  return againstBand(points, worst, 'The lamps');
}

/** Why the hazard verdict is what it is. */
export function hazardReason(grounds: Grounds & { litAmps: number }): string {
  if (grounds.state === 'too-much') return broken(grounds.limits);
  const bands = againstBand(grounds.points, grounds.worst, 'Both sides together');
  return `${bands} ${grounds.limits[0]?.reason ?? ''}`.trim();
}

function broken(limits: readonly LimitCheck[]): string {
  return limits
    .filter((limit) => !limit.ok)
    .map((limit) => limit.reason)
    .join(' ');
}

function againstBand(points: readonly JudgedPoint[], worst: JudgedPoint, subject: string): string {
  const { band } = worst;
  const trip = `the relay trips somewhere from ${amps(band.lowAmps)} to ${amps(band.highAmps)}`;
  const at = `at ${volts(worst.volts)} (${worst.point.label})`;
  const short = points.filter((each) => each.state === 'falls-short');
  const open = points.filter((each) => each.state === 'either-way');
  const settled = points.filter((each) => each.state === 'holds');
  if (short.length > 0) {
    return `${subject} draw ${amps(worst.amps.high)} ${at}; ${trip}, so it reads a missing bulb and flashes fast${
      short.length < points.length ? ` at ${list(short)}` : ''
    }.`;
  }
  if (open.length > 0) {
    return `${subject} draw ${range(worst)} ${at}, inside the band: ${trip}. It could flash normally or fast at ${list(open)}${
      settled.length > 0 ? `; it holds at ${list(settled)}` : ''
    }.`;
  }
  return `${subject} draw ${range(worst)} at the worst point, ${volts(worst.volts)} (${worst.point.label}); the relay trips no higher than ${amps(band.highAmps)}.`;
}

function list(points: readonly JudgedPoint[]): string {
  return voltsList(points.map((each) => each.volts));
}

function range(point: JudgedPoint): string {
  const { low, nominal, high } = point.amps;
  if (amps(low) === amps(high)) return amps(nominal);
  return `${amps(nominal)} (${amps(low)} to ${amps(high)} over the resistors' tolerance)`;
}
