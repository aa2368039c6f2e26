import type { Job } from '../../../core/model/job.ts';
import { mark, signed } from '../../../core/record/tell.ts';

/** Anything an installer may do to a copy of a job, drawn at random; `n` makes what it makes its own. */
export interface Draw {
  /** a whole number under a bound */
  below(bound: number): number;
  pick<T>(from: readonly T[]): T;
}

export interface Edited {
  job: Job;
  /** fields that hold one value each and were written: what a person would say they changed */
  wrote: readonly string[];
}

type Edit = (job: Job, draw: Draw, n: string, device: string) => Edited | null;

const TEXTS = ['blue', 'grey', 'in the cab', 'box 4'];

function lampOf(job: Job, draw: Draw) {
  return draw.pick(job.vehicle.lamps);
}

const setTitle: Edit = (job, draw) => ({ job: { ...job, title: draw.pick(TEXTS) }, wrote: ['title'] });

const setKept: Edit = (job, draw) => ({
  job: { ...job, handOver: { ...job.handOver, stockBulbsKeptAt: draw.pick(TEXTS) } },
  wrote: ['handOver/stockBulbsKeptAt'],
});

const choose: Edit = (job, draw) => {
  const { id } = lampOf(job, draw);
  return {
    job: { ...job, chosen: { ...job.chosen, [id]: draw.pick([null, 'led-a', 'led-b']) } },
    wrote: [`chosen/${id}`],
  };
};

const unchoose: Edit = (job, draw) => {
  const [id] = Object.keys(job.chosen);
  if (!id || draw.below(2) === 0) return null;
  const { [id]: _, ...chosen } = job.chosen;
  return { job: { ...job, chosen }, wrote: [`chosen/${id}`] };
};

const tick: Edit = (job, draw, n) => {
  const step = draw.pick(['open-rear', 'close-rear']);
  const before = job.fit[step] ?? { doneAt: null, note: '' };
  const ticks = [...(before.ticks ?? []), `tick ${n}`];
  return { job: { ...job, fit: { ...job.fit, [step]: { ...before, ticks } } }, wrote: [] };
};

const stepNote: Edit = (job, draw) => {
  const before = job.fit['open-rear'];
  if (!before) return null;
  return {
    job: { ...job, fit: { ...job.fit, 'open-rear': { ...before, note: draw.pick(TEXTS) } } },
    wrote: ['fit/open-rear/note'],
  };
};

const tell: Edit = (job, draw, n, device) => {
  const said = signed(
    job,
    { kind: 'came-back', lampId: lampOf(job, draw).id, partId: null, part: 'A', fittedAt: null, words: n },
    { id: `seen-${n}`, at: clock(draw), device },
  );
  return { job: { ...job, evidence: [...job.evidence, said] }, wrote: [] };
};

const withdraw: Edit = (job, draw, n, device) => {
  if (job.evidence.length === 0) return null;
  const { id } = draw.pick(job.evidence);
  const word = mark(job, id, draw.below(3) === 0, { id: `seen-${n}`, at: clock(draw), device });
  return { job: { ...job, evidence: [...job.evidence, word] }, wrote: [] };
};

const movePieces: Edit = (job, draw, n) => ({
  job: {
    ...job,
    pieces: [
      ...(job.pieces ?? []),
      { id: `moved-${n}`, partId: 'led-a', at: clock(draw), pieces: 1, kind: 'fitted' as const },
    ],
  },
  wrote: [],
});

const leave: Edit = (job, _draw, n) => ({
  job: { ...job, later: [...(job.later ?? []), { id: `later-${n}`, kind: 'left' as const, text: n }] },
  wrote: [],
});

const reword: Edit = (job, draw) => {
  if (!job.later?.length) return null;
  const { id } = draw.pick(job.later);
  const text = draw.pick(TEXTS);
  return {
    job: { ...job, later: job.later.map((each) => (each.id === id ? { ...each, text } : each)) },
    wrote: [`later/${id}/text`],
  };
};

const drop: Edit = (job, draw) => {
  if (!job.later?.length) return null;
  const { id } = draw.pick(job.later);
  return { job: { ...job, later: job.later.filter((each) => each.id !== id) }, wrote: [] };
};

const reorder: Edit = (job, draw) => {
  if ((job.later?.length ?? 0) < 2) return null;
  const later = [...(job.later ?? [])];
  const [moved] = later.splice(draw.below(later.length), 1);
  if (moved) later.splice(draw.below(later.length + 1), 0, moved);
  return { job: { ...job, later }, wrote: [] };
};

const nameLamp: Edit = (job, draw) => {
  const { id } = lampOf(job, draw);
  const name = `Lamp ${draw.pick(TEXTS)}`;
  const lamps = job.vehicle.lamps.map((lamp) => (lamp.id === id ? { ...lamp, name } : lamp));
  return { job: { ...job, vehicle: { ...job.vehicle, lamps } }, wrote: [`vehicle/lamps/${id}/name`] };
};

const gearbox: Edit = (job, draw) => ({
  job: {
    ...job,
    vehicle: {
      ...job.vehicle,
      facts: { ...job.vehicle.facts, gearbox: draw.pick(['manual', 'automatic'] as const) },
    },
  },
  wrote: ['vehicle/facts/gearbox'],
});

/** Takes a lamp out of the vehicle as the editor does: with its feeds and all that was said of it. */
const removeLamp: Edit = (job, draw, n, device) => {
  const { circuits, lamps } = job.vehicle;
  const spare = lamps.filter(({ id }) =>
    circuits.every(({ feeds }) => !feeds.some((feed) => feed.lampId === id) || feeds.length > 1),
  );
  if (lamps.length < 4 || spare.length === 0) return null;
  const { id } = draw.pick(spare);
  const { [id]: _, ...chosen } = job.chosen;
  const gone = job.evidence.filter((each) => each.kind === 'came-back' && each.lampId === id);
  const evidence = [...job.evidence];
  gone.forEach((each, index) => {
    evidence.push(
      mark({ vehicle: job.vehicle, evidence }, each.id, false, {
        id: `seen-${n}-${index}`,
        at: clock(draw),
        device,
      }),
    );
  });
  return {
    job: {
      ...job,
      chosen,
      evidence,
      vehicle: {
        ...job.vehicle,
        lamps: lamps.filter((lamp) => lamp.id !== id),
        circuits: circuits.map((circuit) => ({
          ...circuit,
          feeds: circuit.feeds.filter((feed) => feed.lampId !== id),
        })),
      },
    },
    wrote: [],
  };
};

const addLamp: Edit = (job, draw, n) => {
  const like = lampOf(job, draw);
  const circuit = job.vehicle.circuits.find(({ feeds }) => feeds.some(({ lampId }) => lampId === like.id));
  if (!circuit || circuit.feeds.length > 6) return null;
  const feed = circuit.feeds.find(({ lampId }) => lampId === like.id);
  const id = `lamp-${n}`;
  return {
    job: {
      ...job,
      vehicle: {
        ...job.vehicle,
        lamps: [...job.vehicle.lamps, { ...like, id }],
        circuits: job.vehicle.circuits.map((each) =>
          each.id === circuit.id && feed
            ? { ...each, feeds: [...each.feeds, { ...feed, lampId: id }] }
            : each,
        ),
      },
    },
    wrote: [],
  };
};

const scope: Edit = (job, draw) =>
  job.scope && draw.below(3) === 0
    ? { job: withoutScope(job), wrote: [] }
    : {
        job: { ...job, scope: { lampIds: [lampOf(job, draw).id], aim: draw.pick(['look', null] as const) } },
        wrote: [],
      };

function withoutScope({ scope: _, ...job }: Job): Job {
  return job;
}

const hour: Edit = (job, draw) => ({
  job: { ...job, ledger: { ...job.ledger, hourPrice: draw.below(4) } },
  wrote: ['ledger/hourPrice'],
});

export const EDITS: readonly Edit[] = [
  setTitle,
  setKept,
  choose,
  choose,
  unchoose,
  tick,
  stepNote,
  tell,
  tell,
  withdraw,
  movePieces,
  leave,
  reword,
  drop,
  reorder,
  nameLamp,
  gearbox,
  removeLamp,
  addLamp,
  scope,
  hour,
];

/** A clock nobody can rely on. */
function clock(draw: Draw): string {
  return new Date(Date.UTC(2026, 10, 1 + draw.below(28), draw.below(24), draw.below(60))).toISOString();
}
