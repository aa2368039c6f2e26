import { regionRule } from '../catalogue/regions.ts';
import type { CureBoard } from '../cures/board/board.ts';
import { capital, inARow } from '../formatting/format.ts';
import { sourceWords } from '../formatting/source.ts';
import { STAND_IN_NOTE } from '../instruments/standInNote.ts';
import { flashRule } from '../judge/flashRule.ts';
import type { TurnFunction } from '../model/cures.ts';
import type { RateReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { circuitById } from '../model/vehicle/lookUp.ts';
import { handOverPage } from '../record/handOver.ts';
import {
  latestObservation,
  proofResult,
  proofsOf,
  turnFunctionsToProve,
  watcherLeft,
} from '../record/observations.ts';
import { settingTrail } from '../record/settingTrail.ts';
import { trailWords } from '../record/settingWords.ts';
import { LATER_WORDS } from '../words/past.ts';
import { recordedRateWords } from '../words/recorded.ts';
import { hotPlaces } from './hotPlaces.ts';
import { type Block, listOf, type Page, tableOf } from './page.ts';
import { warrantiesOf } from './warranties.ts';

const RESULTS = { passed: 'within', failed: 'outside', 'not-sure': 'not sure' } as const;

export interface PageContext {
  /** how the vehicle stands as it is cured; left out where nobody has worked it out */
  board?: Pick<CureBoard, 'rows'> | null;
  /** a day as it is written for whoever reads the page */
  day(date: string): string;
}

/** The page for the owner: what was done, what it does now, what it no longer does, and what is not known. */
export function ownersPage(job: Job, shelf: Shelf, context: PageContext): Page {
  const { vehicle, handOver } = job;
  const page = handOverPage(job, shelf);
  const rule = flashRule(vehicle.region);
  return {
    title: job.title || vehicle.name,
    about: `${vehicle.name}, ${vehicle.year}, ${vehicle.systemVolts} V. ${page.summary}`,
    blocks: [
      ...standingBlocks(job, page.missing, context),
      ...tableOf(
        'Flash rate before and after',
        ['Function', 'Before', 'After', `Allowed ${rule.lowest} to ${rule.highest}`],
        page.readings.map(({ name, before, after }) => [
          name,
          rate(before),
          rate(after),
          after ? RESULTS[proofResult(rule, after, watcherLeft(job))] : 'open',
        ]),
      ),
      ...tableOf(
        'Seen after the work',
        ['Lamps', 'What was seen'],
        page.circuits.map(({ name, seen }) => [name, seen ?? 'not looked at']),
      ),
      ...tableOf(
        'What is fitted where',
        ['Lamp', 'Was', 'Now', 'Resistor across it'],
        page.lamps.map((lamp) => [lamp.name, lamp.before, lamp.after, lamp.resistors || 'none']),
      ),
      {
        kind: 'facts',
        rows: [
          ['Stock bulbs kept', handOver.stockBulbsKeptAt || 'not written down'],
          ...(handOver.warrantyUntil
            ? [['Warranty until', context.day(handOver.warrantyUntil)] as const]
            : []),
          ...(handOver.note ? [['Note', handOver.note] as const] : []),
          ...(page.towing.length > 0 ? [['Proved behind', inARow(page.towing)] as const] : []),
        ],
      },
      ...listOf('What no longer warns', page.silenced, true),
      ...listOf('What gets hot, by estimate', hotPlaces(job, shelf), true),
      ...listOf('Settings changed, and the way back', settingsOf(job)),
      ...warrantyBlocks(job, shelf, context),
      ...listOf('Looked at again', recheckWords(job, context)),
      ...listOf('Repaired with it', page.repaired),
      ...listOf(
        'Left, and wished for',
        page.later.map(({ kind, text }) => `${capital(LATER_WORDS[kind])}: ${text}`),
      ),
      ...listOf('Accepted, unresolved', page.unresolved),
      ...listOf('Wires not proved', page.unproved),
      ...listOf('Please mind', [...page.cautions, ...ruleWords(job, page.summary)], true),
    ],
    foot: `${page.readings.length > 0 ? `${sourceWords(rule.source)}. ` : ''}Temperatures are estimates. Vumble is a planning aid; the vehicle maker’s data, local rules and licensed practice decide.`,
  };
}

function rate(reading: RateReading | undefined): string {
  return reading ? recordedRateWords(reading, reading.note === STAND_IN_NOTE) : 'not measured';
}

/** Whether all is proved, and else what is not, or holds only if something is as it is hoped. */
function standingBlocks(job: Job, missing: readonly string[], { board }: PageContext): Block[] {
  const proofs = proofsOf(job, flashRule(job.vehicle.region));
  const seen = proofs.length > 0 && proofs.every(({ proved }) => proved);
  // A record that does not say what was fitted is not held against a function, but proves no lamp of it either.
  const silent = seen && !turnFunctionsToProve(job).every((each) => saysWhatWasFitted(job, each));
  const all = seen && !silent;
  const maybes = (board?.rows ?? [])
    .filter(({ cured }) => cured.state !== 'holds')
    .map(({ name, cured }) => `${name}: ${cured.text}`);
  const proved = proofs.filter((each) => each.proved).length;
  const text = silent
    ? 'Not all proved: everything was seen as it should be, but the record does not say what was fitted when it flashed. Measure it once more.'
    : all
      ? 'All proved: every lamp was seen at each of its levels, dark, and without a message, with what is fitted now.'
      : proofs.length === 0
        ? 'Nothing was converted that would have to be proved.'
        : `Not all proved: ${proved} of ${proofs.length} functions were seen as they should be with what is fitted now.`;
  return [
    { kind: 'words', text, strong: true },
    ...listOf('Open', missing),
    ...listOf('By the figures not sure to hold', maybes),
  ];
}

function saysWhatWasFitted(job: Job, turnFunction: TurnFunction): boolean {
  return Object.keys(latestObservation(job, 'cured', turnFunction)?.fitted.lamps ?? {}).length > 0;
}

function settingsOf(job: Job): string[] {
  return job.vehicleCures.flatMap((cure) => {
    if (cure.kind !== 'controller-setting') return [];
    const name = circuitById(job.vehicle, cure.circuitId).name;
    const trail = settingTrail(job, cure.circuitId);
    const how = [cure.name, cure.tool && `with ${cure.tool}`].filter(Boolean).join(', ');
    const back =
      trail.steps.length > 0
        ? trailWords(trail)
        : `Set to LED. To go back, write ${cure.before} again, key off and on, and put the filament in.`;
    return [`${name}${how ? ` (${how})` : ''}: ${back}`];
  });
}

function warrantyBlocks(job: Job, shelf: Shelf, { day }: PageContext): Block[] {
  return tableOf(
    'Warranty by part, from the day it was fitted',
    ['Part', 'Fitted', 'Runs until', 'Ends early by'],
    warrantiesOf(job, shelf).map(({ code, pieces, fittedAt, months, until, voidBy }) => [
      `${code}, ${pieces}`,
      fittedAt ? day(fittedAt) : 'day not written down',
      until ? day(until) : months === null ? 'none given' : `${months} months from fitting`,
      voidBy ?? '',
    ]),
  );
}

function recheckWords({ rechecks = [] }: Job, { day }: PageContext): string[] {
  return rechecks.map(({ what, due, done }) => {
    if (!done) return `${what}: due ${day(due)}`;
    return `${what}: ${done.result === 'fine' ? 'fine' : 'came back'}, ${day(done.at)}${done.note ? ` (${done.note})` : ''}`;
  });
}

/** What the region's rules say of what was done here. */
function ruleWords({ vehicle, vehicleCures }: Job, summary: string): string[] {
  const outage = vehicleCures.some(({ kind }) => kind === 'flasher-relay')
    ? regionRule(vehicle.region, 'outage warning')
    : undefined;
  const retrofit = summary.startsWith('Converted') ? regionRule(vehicle.region, 'retrofit bulbs') : undefined;
  return [outage, retrofit].flatMap((each) => (each ? [`${each.text} (${sourceWords(each.source)})`] : []));
}
