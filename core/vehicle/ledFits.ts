import { baseRecord } from '../catalogue/bases.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp, Vehicle } from '../model/vehicle.ts';
import { workingPoints } from '../verdict/workingPoints.ts';

export interface LedFit {
  fits: boolean;
  /** what keeps it out, each with the figure that decides */
  obstacles: readonly string[];
  /** it goes in, but mind this */
  cautions: readonly string[];
}

/** Whether an LED can go into a turn lamp, and why not. */
export function ledFit(vehicle: Vehicle, lamp: Lamp, part: LedPart): LedFit {
  const obstacles: string[] = [];
  const cautions: string[] = [];
  if (!part.bases.includes(lamp.base)) {
    obstacles.push(`Its base is ${part.bases.join(' or ')}; this lamp takes ${lamp.base}.`);
  }
  const points = workingPoints(vehicle.systemVolts).map((point) => point.volts);
  const [low, high] = part.supplyRange;
  const lowest = Math.min(...points);
  const highest = Math.max(...points);
  if (low > lowest || high < highest) {
    obstacles.push(`It is made for ${low} to ${high} V; this vehicle runs from ${lowest} to ${highest} V.`);
  }
  if (part.colour !== 'amber') {
    if (lamp.lens === 'amber' && part.colour === 'white') {
      cautions.push('White behind an amber lens comes out pale. Amber behind amber is the safe match.');
    } else {
      obstacles.push(`A turn lamp must show amber; this LED is ${part.colour} behind a ${lamp.lens} lens.`);
    }
  }
  if (part.polarity === 'one-way') {
    cautions.push(
      baseRecord(lamp.base).reversible
        ? 'Lights one way round only: if it stays dark, turn it half round.'
        : 'Lights one way round only, and this base cannot be turned: check the polarity of the contact first.',
    );
  }
  return { fits: obstacles.length === 0, obstacles, cautions };
}
