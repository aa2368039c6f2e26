import { wire } from '../formatting/units.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { standing } from '../model/seen.ts';
import { connectorsOf } from '../wiring/connectors.ts';
import { sheetRows } from '../wiring/sheet/rows.ts';
import { saySteps } from '../words/work/sayStep.ts';
import { workPlan } from '../work/fitSteps.ts';
import { minutesTaken } from '../work/times.ts';
import { observedWords } from './observed.ts';
import { ownersPage, type PageContext } from './ownersPage.ts';
import { type Block, listOf, type Page, tableOf } from './page.ts';

export interface WorkshopContext extends PageContext {
  /** a moment as it is written for whoever reads the page */
  moment(at: string): string;
}

/** The page for the file: the owner's, and the evidence, the wires, the order of work, the times, with who and when. */
export function workshopPage(job: Job, shelf: Shelf, context: WorkshopContext): Page {
  const page = ownersPage(job, shelf, context);
  return {
    ...page,
    blocks: [
      ...page.blocks,
      ...workBlocks(job, shelf, context),
      ...evidenceBlocks(job, context),
      ...wireBlocks(job),
      ...pieceBlocks(job, shelf, context),
      ...listOf(
        'Tried against a trouble',
        (job.attempts ?? []).map(
          ({ what, outcome, at }) => `${what}: ${outcome.replace('-', ' ')}, ${context.moment(at)}`,
        ),
      ),
    ],
  };
}

function workBlocks(job: Job, shelf: Shelf, { moment }: WorkshopContext): Block[] {
  const steps = saySteps(workPlan(job, shelf).steps, job, shelf);
  const minutes = steps.reduce((sum, { id }) => sum + (minutesTaken(job.fit[id] ?? NOTHING) ?? 0), 0);
  return tableOf(
    `The work in its order${minutes > 0 ? `, ${Math.round(minutes)} min clocked` : ''}`,
    ['Step', 'Done', 'Took', 'Note'],
    steps.map(({ id, title, place }) => {
      const record = job.fit[id];
      const took = record ? minutesTaken(record) : null;
      return [
        place ? `${place}: ${title}` : title,
        record?.doneAt ? moment(record.doneAt) : 'open',
        took === null ? '' : `${Math.max(1, Math.round(took))} min`,
        record?.note ?? '',
      ];
    }),
  );
}

const NOTHING = { doneAt: null, note: '' };

function evidenceBlocks(job: Job, { moment }: WorkshopContext): Block[] {
  return tableOf(
    'Evidence, in the order it was told',
    ['What', 'By', 'When'],
    standing(job).map((each) => [observedWords(each, job.vehicle), each.by ?? '', moment(each.at)]),
  );
}

function wireBlocks({ vehicle }: Job): Block[] {
  return connectorsOf(vehicle)
    .filter(({ recorded }) => recorded)
    .flatMap((known) =>
      tableOf(
        `Wires: ${known.connector.name}`,
        ['Cavity', 'Colour', 'Size', 'What it does', 'How that is known', 'Joint'],
        sheetRows(vehicle, known).map(({ cavity, letters, areaMm2, does, proof, joint }) => [
          cavity,
          letters || '?',
          areaMm2 ? wire(areaMm2) : '',
          does,
          proof,
          joint ?? '',
        ]),
      ),
    );
}

function pieceBlocks({ pieces = [] }: Job, shelf: Shelf, { moment }: WorkshopContext): Block[] {
  const codeOf = (id: string) => shelf.find((part) => part.id === id)?.code ?? id;
  return tableOf(
    'Pieces',
    ['Part', 'What', 'Order or batch', 'When'],
    pieces
      .filter(({ kind }) => kind !== 'reserved' && kind !== 'released')
      .map(({ partId, kind, pieces: count, batch, at }) => [
        `${codeOf(partId)}, ${count}`,
        kind,
        batch ?? '',
        moment(at),
      ]),
  );
}
