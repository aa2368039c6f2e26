import { flasherWords } from '../devices/flasher.ts';
import { amps, volts, voltsList } from '../formatting/format.ts';
import { coverOf } from '../judge/cover.ts';
import { worstState } from '../judge/states.ts';
import type { Ground, JudgedPoint, WayGround } from '../judge/verdict.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Company } from '../simulation/litState.ts';
import { findingWords, limitWords } from './findings.ts';
import { placeWords } from './ways.ts';

/** A verdict, as far as its reason goes. */
interface Reasoned {
  why: readonly Ground[];
  points: readonly JudgedPoint[];
  worst: JudgedPoint | null;
}

/** What decides a verdict, in a sentence or two with its figures. */
export function reasonOf(vehicle: Vehicle, { why, ...seen }: Reasoned): string {
  const [first] = why;
  return first ? groundWords(vehicle, first, seen) : '';
}

/** All that has something to say of a circuit, the worst first. */
export function reasonsOf(vehicle: Vehicle, { why, ...seen }: Reasoned): string[] {
  return why.map((ground) => groundWords(vehicle, ground, seen));
}

function groundWords(vehicle: Vehicle, ground: Ground, { points, worst }: Omit<Reasoned, 'why'>): string {
  switch (ground.of) {
    case 'limits':
      return ground.limits.map(limitWords).join(' ');
    case 'finding':
      return findingWords(vehicle, ground.finding);
    case 'seen':
      return seenWords(ground.trial);
    case 'flash': {
      const wrong = ground.wrong.map((finding) => findingWords(vehicle, finding));
      const band = worst ? [againstBand(ground.flasher, points, worst, SUBJECTS[ground.subject])] : [];
      return [...wrong, ...band, ...ground.limits.map(limitWords)].join(' ');
    }
    case 'steady':
      return steadyWords(ground, points);
    case 'ways':
      return waysWords(vehicle, ground.told);
  }
}

const SUBJECTS = {
  lamps: 'The lamps',
  'weaker-side': 'The weaker side’s lamps',
  'both-sides': 'Both sides together',
} as const;

/** What each way a vehicle may be built says, those that say the same together. */
function waysWords(vehicle: Vehicle, told: readonly WayGround[]): string {
  const said = new Map<string, string>();
  for (const { where, ground, ...seen } of told) {
    const place = placeWords(where);
    if (!said.has(place)) said.set(place, groundWords(vehicle, ground, seen));
  }
  return `Nobody has looked how it flashes. ${[...said].map(([place, reason]) => `${place}: ${reason}`).join(' ')}`;
}

function steadyWords(
  { flasher, watcher, asIf, quiet }: Ground & { of: 'steady' },
  points: readonly JudgedPoint[],
): string {
  const said = steadyWatch(flasher, watcher, points);
  const asked = asIf
    ? `Nobody has looked whether anything watches this circuit. If nothing does, it holds; if something does: ${said}`
    : said;
  return quiet
    ? `${seenWords(quiet)} What watches may yet call at the first start after the vehicle slept. ${asked}`
    : asked;
}

/** What was seen, in words. */
const SEEN: Record<WatcherTrial['result'], string> = {
  fast: 'a fast flash',
  slow: 'a slow flash',
  message: 'a bulb message',
  normal: 'no message',
};

/** What was seen with just what is fitted, in a sentence. */
function seenWords({ result, on, supply }: WatcherTrial): string {
  const at = supply
    ? `, at ${volts(supply.fromVolts)}${supply.toVolts === supply.fromVolts ? '' : ` to ${volts(supply.toVolts)}`}`
    : '';
  const lights = on ? `, lights ${on.lights ? 'on' : 'off'}` : '';
  return `Seen with just this fitted: ${SEEN[result]}${at}${lights}.`;
}

/** What whoever watches the current of a steady circuit makes of it. */
function steadyWatch(flasher: Flasher, watcher: string | null, points: readonly JudgedPoint[]): string {
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
function lookWords({ lookSeconds }: Pick<JudgedPoint, 'lookSeconds'>): string {
  return lookSeconds === undefined ? '' : ` as it looks ${lookSeconds.toFixed(2)} s after switching on`;
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
export function companyWords({ lights, brake, turning }: Company): string {
  if (turning) return ' while its side turns';
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
