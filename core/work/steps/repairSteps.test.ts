import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { pickList } from '../../inventory/picklist.ts';
import { type Repair, RepairKind } from '../../model/past.ts';
import { handOverPage } from '../../record/handOver.ts';
import { removeLampOf } from '../../vehicle/edit/jobEdits.ts';
import { saySteps } from '../../words/work/sayStep.ts';
import { fitSteps } from '../fitSteps.ts';

const job = demoJob('library-route-3');
const repair = (more: Partial<Repair> = {}): Repair => ({
  id: 'r1',
  kind: 'descale-carrier',
  lampId: 'rear-left',
  note: 'green on the tracks',
  ...more,
});
const said = (of: typeof job) => saySteps(fitSteps(of, DEMO_SHELF), of, DEMO_SHELF);

describe('a repair that goes with a conversion', () => {
  it.each(RepairKind.options)('%s is a step behind its lamp’s panel, before anything new goes in', (kind) => {
    const steps = said({ ...job, repairs: [repair({ kind })] });
    const at = (id: string) => steps.findIndex((step) => step.id === id);
    expect(at('repair-r1')).toBeGreaterThan(at(`open-${steps[at('repair-r1')]?.openingId}`));
    expect(at('repair-r1')).toBeLessThan(at('swap-rear-left'));
    expect(steps[at('repair-r1')]?.text).toMatch(/^green on the tracks\. ./);
    const [least = 0, most = 0] = steps[at('repair-r1')]?.minutes ?? [];
    expect(least).toBeGreaterThan(0);
    expect(most).toBeGreaterThan(least);
  });

  it('opens the panel of a lamp that is not converted, and takes the minutes that were said', () => {
    const only = { ...job, chosen: {}, cures: {}, repairs: [repair({ minutes: [40, 50] })] };
    const steps = said(only);
    expect(steps.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['open', 'repair', 'test', 'close']),
    );
    expect(steps.find(({ kind }) => kind === 'repair')?.minutes).toEqual([40, 50]);
  });

  it('puts its part on the pick list, is on the page for the owner, and goes with its lamp', () => {
    const repairs = [repair({ kind: 'replace-socket', part: 'socket BA15s with lead' })];
    const more = { ...structuredClone(job), repairs };
    expect(pickList(more, DEMO_SHELF).lines).toContainEqual(
      expect.objectContaining({ what: 'socket BA15s with lead', quantity: 1, why: 'for a repair' }),
    );
    expect(handOverPage(more, DEMO_SHELF).repaired).toEqual(['Rear left: replace the socket']);
    more.vehicle.past = [{ id: 'p1', kind: 'harness', lampId: 'repeater-left', text: 'tapped here' }];
    more.repairs = [repair({ lampId: 'repeater-left' })];
    removeLampOf(more, 'repeater-left');
    expect(more.repairs).toEqual([]);
    expect(more.vehicle.past).toEqual([{ id: 'p1', kind: 'harness', lampId: null, text: 'tapped here' }]);
  });
});

describe('what was here before', () => {
  it('is said when its panel is opened, and a spare plug is ticked tied up and capped', () => {
    const vehicle = structuredClone(job.vehicle);
    vehicle.past = [
      { id: 'p1', kind: 'harness', lampId: 'rear-left', text: 'trailer harness on the left feed' },
      { id: 'p2', kind: 'spare-plug', lampId: 'rear-left', text: 'three pins, white' },
      { id: 'p3', kind: 'repair', lampId: null, text: 'bumper changed' },
    ];
    const steps = said({ ...job, vehicle });
    const own = steps.find(
      ({ id }) => id === `open-${vehicle.lamps.find(({ id: of }) => of === 'rear-left')?.access.group}`,
    );
    expect(own?.cautions).toContain('Was here before, added harness: trailer harness on the left feed.');
    expect(own?.ticks).toContainEqual({
      id: 'spare p2',
      label: 'spare plug tied up and capped: three pins, white',
    });
    expect(steps.flatMap(({ cautions }) => cautions).join(' ')).not.toMatch(/bumper/);
  });

  it('a whole lamp is looked at for its approval mark before anything is opened', () => {
    const whole = DEMO_SHELF.find(({ kind }) => kind === 'whole-lamp');
    if (!whole) throw new Error('the shelf has none');
    const steps = said({ ...job, chosen: { ...job.chosen, 'rear-left': whole.id } });
    const receive = steps.find(({ id }) => id === 'receive');
    expect(receive?.ticks).toContainEqual({
      id: `mark ${whole.id}`,
      label: `${whole.code}: approval mark on the lens, an E in a circle with the letters of its functions`,
    });
  });
});
