import type { LimitRequirement } from '../limits.ts';
import { backFeedRequirement } from './backFeed.ts';
import { builtInHeatRequirement } from './builtInHeat.ts';
import { coldStartRequirement } from './coldStart.ts';
import { dimmerRequirement } from './dimmer.ts';
import { excitationRequirement } from './excitation.ts';
import { faultWireRequirement } from './faultWire.ts';
import { moreThanStock } from './moreThanStock.ts';
import { mountRequirement } from './mount.ts';
import { rateRequirement } from './rate.ts';
import type { Scene } from './scene.ts';
import { senseRequirement } from './sense.ts';
import { sweepRequirement } from './sweep.ts';
import { unlookedRequirement } from './unlooked.ts';

const LIST = [
  senseRequirement,
  excitationRequirement,
  backFeedRequirement,
  sweepRequirement,
  rateRequirement,
  mountRequirement,
  builtInHeatRequirement,
  coldStartRequirement,
  dimmerRequirement,
  faultWireRequirement,
  moreThanStock,
  unlookedRequirement,
] as const;

/** What one of them found of a circuit, as data. */
export type Finding = ReturnType<(typeof LIST)[number]>[number] & {
  /** so on some of the ways the job may turn out to be, not on others */
  onSome?: true;
};

/** What a circuit is held against. */
export type Requirement = Finding['requirement'] | LimitRequirement | 'watch';

/** What every circuit is held against beside its watcher and its limits: a requirement is its file, a line here, its words. */
export const REQUIREMENTS: readonly ((scene: Scene) => Finding[])[] = LIST;
