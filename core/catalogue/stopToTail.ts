import { fromMemory } from '../formatting/source.ts';

/** How many times as bright as the tail lamp a stop lamp in one compartment with it must be at least. */
export const STOP_TO_TAIL = { ratio: 5, source: fromMemory('FMVSS 108') } as const;
