import { expect, it } from 'vitest';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { Configuration } from '../../model/cures.ts';
import { JobAnalysis } from '../analysis.ts';
import { Judge } from '../judge.ts';
import { watchedBy } from '../watchedBy.ts';

it('whoever watches is content just where the whole verdict says that the watcher holds', () => {
  let content = 0;
  let not = 0;
  for (const job of demoJobs())
    for (const configuration of Configuration.options) {
      const judge = new Judge(new JobAnalysis(job, DEMO_SHELF), configuration);
      for (const circuit of job.vehicle.circuits) {
        if (circuit.kind === 'turn' || watchedBy(job, judge.turns.fitment.flasher, circuit).who === null)
          continue;
        const says = judge.circuit(circuit).points.every(({ state }) => state === 'holds');
        expect(judge.contents(circuit), `${job.id} ${configuration} ${circuit.id}`).toBe(says);
        if (says) content += 1;
        else not += 1;
      }
    }
  expect(content).toBeGreaterThan(10);
  expect(not).toBeGreaterThan(3);
});
