import type { About } from '../../work/steps/stepAbout.ts';
import { listed } from '../kits.ts';
import type { StepWords } from './stepWords.ts';

/** A kit laid out as its sheet has it for this vehicle. */
export function kitWords({ code, variant, used, capped, links, modules, stays }: About<'kit'>): StepWords {
  const left = stays.map(({ what, count }) => `${count} × ${what}`);
  return {
    place: 'At the kit’s plugs',
    title: `Join ${code} as its sheet says: ${variant}`,
    text: `Plugged in: ${listed(used)}. Capped: ${listed(capped)}. In the box stays: ${listed(left, 'nothing')}.`,
    cautions:
      links.length > 0
        ? ['Prove each wire of a link by meter before it is joined: colours differ by year and market.']
        : [],
    ticks: [
      ...used.map((what) => ({ id: `plug ${what}`.slice(0, 120), label: `plugged in: ${what}` })),
      ...capped.map((what) => ({ id: `cap ${what}`.slice(0, 120), label: `capped: ${what}` })),
      ...links.map(({ from, to }) => ({
        id: `link ${from} ${to}`.slice(0, 120),
        label: `linked: ${from} to ${to}`,
      })),
      ...modules.map((what) => ({ id: `moves ${what}`.slice(0, 120), label: `moved over: ${what}` })),
    ],
  };
}
