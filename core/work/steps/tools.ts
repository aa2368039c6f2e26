import type { Job } from '../../model/job.ts';
import type { FitStep } from './fitStep.ts';

/** Where tools are laid out, and which: the bench first, then panel by panel. */
export interface ToolsAt {
  place: string;
  tools: readonly string[];
}

const JOINING = ['crimping pliers', 'heat gun', 'multimeter'];
const DRILLING = ['drill and 3 mm bit', 'file or deburring tool'];
const BENCH = 'On the bench';
const SEAT = 'In the seat';
const BATTERY = 'At the battery';

/** What one step is done with, and where it is; nothing where bare hands do. Common practice beside what openings list. */
function toolsOf({ about }: FitStep): { place: string | null; tools: readonly string[] } {
  switch (about.of) {
    case 'receive':
      return { place: BENCH, tools: ['9 V battery with leads', 'caliper'] };
    case 'keep-stock':
      return { place: BENCH, tools: ['labels and marker'] };
    case 'battery-off':
    case 'battery-on':
      return { place: BATTERY, tools: ['10 mm spanner'] };
    case 'switch-on':
      return { place: SEAT, tools: about.switches.includes('brake') ? ['pedal prop'] : [] };
    case 'open':
      return { place: null, tools: about.opened.opening.tools };
    case 'swap':
    case 'renew':
      return { place: null, tools: ['clean gloves'] };
    case 'whole':
      return { place: null, tools: ['multimeter', 'clean gloves'] };
    case 'mount':
      return { place: null, tools: DRILLING };
    case 'add':
      return { place: null, tools: about.drilled ? [...DRILLING, ...JOINING] : JOINING };
    case 'tap':
      return { place: null, tools: JOINING };
    case 'harness':
      return { place: null, tools: DRILLING };
    case 'repair':
      return {
        place: null,
        tools: about.repair.kind === 'descale-carrier' ? ['brass brush'] : ['crimping pliers'],
      };
    case 'cure':
      return about.cure.kind === 'controller-setting'
        ? { place: SEAT, tools: ['diagnostic tool'] }
        : { place: null, tools: about.cure.kind === 'decoder' ? [] : ['multimeter'] };
    default:
      return { place: null, tools: [] };
  }
}

/**
 * The tools of some steps, grouped by where they are needed: a tool that is wanted at several panels stands at each, since
 * what lies at the other end of the vehicle is a walk.
 */
export function toolsByPlace({ vehicle }: Pick<Job, 'vehicle'>, steps: readonly FitStep[]): ToolsAt[] {
  const found = new Map<string, Set<string>>();
  for (const step of steps) {
    const { place, tools } = toolsOf(step);
    if (tools.length === 0) continue;
    const opening = vehicle.openings?.find(({ id }) => id === step.openingId);
    const lamp = vehicle.lamps.find(({ id }) => id === step.lampId);
    const where =
      place ?? opening?.name ?? lamp?.name ?? (step.about.of === 'cure' ? 'At the flasher or module' : BENCH);
    const set = found.get(where) ?? new Set<string>();
    for (const tool of tools) set.add(tool);
    found.set(where, set);
  }
  const rank = ({ place }: ToolsAt) => [BENCH, BATTERY, SEAT].indexOf(place);
  return [...found]
    .map(([place, tools]) => ({ place, tools: [...tools].toSorted((a, b) => a.localeCompare(b)) }))
    .toSorted((a, b) => Number(rank(b) >= 0) - Number(rank(a) >= 0) || rank(a) - rank(b));
}
