import { circuitById } from '../model/vehicle/lookUp.ts';
import { isOn } from '../simulation/bearing.ts';
import { SHOWS_NOTHING, type Showing, type Worked } from './faultKind.ts';
import { ON_CIRCUIT } from './sites.ts';

/** Who reads one circuit may be put out by it while it is on: something odd comes with it, or not. */
export const ODD_WHILE_ON = {
  ...ON_CIRCUIT,
  shows: ({ circuitId }: { circuitId: string }, { vehicle, controls }: Worked): Showing =>
    isOn(circuitById(vehicle, circuitId), controls)
      ? { sure: [], maybe: [`odd ${circuitId}`] }
      : SHOWS_NOTHING,
} as const;
