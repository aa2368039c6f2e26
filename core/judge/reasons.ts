import { flasherWords } from '../devices/flasher.ts';
import { amps, volts, voltsList } from '../formatting/format.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { Company } from '../simulation/litState.ts';
import type { Finding, LimitCheck } from './requirements/finding.ts';
import { coverOf } from './requirements/watch.ts';
import { type VerdictState, worstState } from './states.ts';
import type { JudgedPoint } from './verdict.ts';

interface Grounds {
  flasher: Flasher;
  state: VerdictState;
  points: readonly JudgedPoint[];
  worst: JudgedPoint;
  limits: readonly LimitCheck[];
  findings: readonly Finding[];
}

/** Why one side's verdict is what it is, in one or two sentences with the deciding figures. */
export function circuitReason({ flasher, state, points, worst, limits, findings }: Grounds): string {
  if (state === 'too-much' && limits.some((limit) => !limit.ok)) return broken(limits);
  const wrong = findings.filter((finding) => finding.state !== 'holds').map((finding) => finding.text);
  return [...wrong, againstBand(flasher, points, worst, 'The lamps')].join(' ');
}

/** What whoever watches the current of a steady circuit makes of it. */
export function steadyWatchReason(
  flasher: Flasher,
  watcher: string | null,
  points: readonly JudgedPoint[],
): string {
  const worst = points.reduce<JudgedPoint | null>(
    (least, each) => (least === null || coverOf(each) < coverOf(least) ? each : least),
    null,
  );
  if (watcher === null || worst === null) return 'Nothing watches this circuit.';
  const state = worstState(points.map((point) => point.state));
  const set =
    flasher.kind === 'controller' && worst.band.missingLampId === ''
      ? `set to LED, ${watcher} wants about ${amps(worst.band.highAmps)}`
      : `${watcher} calls a bulb out somewhere from ${amps(worst.band.lowAmps)} to ${amps(worst.band.highAmps)}`;
  const at = `${range(worst)} at ${volts(worst.volts)}${companyWords(worst.company)}${lookWords(worst)}; ${set}`;
  return state === 'holds'
    ? `${at}, so it stays quiet.`
    : state === 'falls-short'
      ? `${at}, so it reports a bulb out.`
      : `${at}, so it may report a bulb out.`;
}

/** When current and band were compared, where that is not once all has settled. */
export function lookWords({ lookSeconds }: Pick<JudgedPoint, 'lookSeconds'>): string {
  return lookSeconds === undefined ? '' : ` as it looks ${lookSeconds.toFixed(2)} s after switching on`;
}

/** Why the hazard verdict is what it is. */
export function hazardReason(grounds: Grounds & { litAmps: number }): string {
  if (grounds.state === 'too-much') return broken(grounds.limits);
  const bands = againstBand(
    grounds.flasher,
    grounds.points,
    grounds.worst,
    grounds.flasher.kind === 'controller' ? 'The weaker side’s lamps' : 'Both sides together',
  );
  return `${bands} ${grounds.limits[0]?.reason ?? ''}`.trim();
}

function broken(limits: readonly LimitCheck[]): string {
  return limits
    .filter((limit) => !limit.ok)
    .map((limit) => limit.reason)
    .join(' ');
}

function againstBand(
  flasher: Flasher,
  points: readonly JudgedPoint[],
  worst: JudgedPoint,
  subject: string,
): string {
  const { band } = worst;
  const { short: name, missing } = flasherWords(flasher);
  const watches = flasher.kind !== 'non-watching-relay';
  const trip = watches
    ? `${name} trips somewhere from ${amps(band.lowAmps)} to ${amps(band.highAmps)}`
    : `${name} starts from ${amps(band.highAmps)}`;
  const beside = companyWords(worst.company);
  const at = `at ${volts(worst.volts)}${beside} (${worst.point.label})${lookWords(worst)}`;
  const short = points.filter((each) => each.state === 'falls-short');
  const open = points.filter((each) => each.state === 'either-way');
  const settled = points.filter((each) => each.state === 'holds');
  if (short.length > 0) {
    return `${subject} draw ${amps(worst.amps.high)} ${at}; ${trip}, so ${missing}${
      short.length < points.length ? ` at ${list(short)}` : ''
    }.${onlyWithLights(points)}`;
  }
  if (open.length > 0) {
    return `${subject} draw ${range(worst)} ${at}, inside the band: ${trip}. It could flash normally or fast at ${list(open)}${
      settled.length > 0 ? `; it holds at ${list(settled)}` : ''
    }.${onlyWithLights(points)}`;
  }
  const enough = watches
    ? `${name} trips no higher than ${amps(band.highAmps)}`
    : `${name} does not watch, and starts from ${amps(band.highAmps)}`;
  return `${subject} draw ${range(worst)} at the worst point, ${volts(worst.volts)}${beside} (${worst.point.label})${lookWords(worst)}; ${enough}.`;
}

/** ` with lights and brake on`, or nothing. */
export function companyWords({ lights, brake }: Company): string {
  if (lights && brake) return ' with lights and brake on';
  return lights ? ' with the lights on' : brake ? ' with the brake on' : '';
}

/**
 * The classic: right with lights off, wrong with them on, since the tail feed lights the same string. Or the same of
 * the brake, through an earth they share.
 */
function onlyWithLights(points: readonly JudgedPoint[]): string {
  const wrong = points.filter((each) => each.state !== 'holds');
  if (wrong.length === 0) return '';
  if (wrong.every((each) => each.company.lights))
    return ' Only with the parking lights on: the tail feed then lights the LED’s string, and the turn feed draws less.';
  if (wrong.every((each) => each.company.brake))
    return ' Only with the brake on: its current lifts the earth they share, and the turn feed draws less.';
  return '';
}

function list(points: readonly JudgedPoint[]): string {
  return voltsList([...new Set(points.map((each) => each.volts))]);
}

function range(point: JudgedPoint): string {
  const { low, nominal, high } = point.amps;
  if (amps(low) === amps(high)) return amps(nominal);
  return `${amps(nominal)} (${amps(low)} to ${amps(high)} over tolerances and all that is not known)`;
}
