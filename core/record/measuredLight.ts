import type { LightRatio, LightReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import { lampAcross } from '../vehicle/across.ts';

/** A hand-held lux meter is off by so much where nobody said, share of what it shows (typical, from memory). */
const METER_SHARE = 0.05;
/** At so many widths of what shines it is as good as a point: the inverse square is off by about 1 % (five-times rule). */
export const FIVE_WIDTHS = 5;
/** A tape to the lens is off by so much, m. */
const TAPE_METRES = 0.01;
/** Two readings at one spot are compared while their distances differ by no more than this share. */
const SAME_DISTANCE = 0.02;

/** A figure with the half-width of its 95 % interval, in the same unit. */
export interface Measured {
  value: number;
  uncertainty: number;
}

/** The lamp's own lux: what was read less what was there without it. */
export function lampLux({ quantity, ambientLux }: Pick<LightReading, 'quantity' | 'ambientLux'>): Measured {
  const off = quantity.uncertainty ?? METER_SHARE * quantity.value;
  const ambient = ambientLux ?? 0;
  return {
    value: Math.max(0, quantity.value - ambient),
    uncertainty: Math.hypot(off, ambientLux === null ? 0 : METER_SHARE * ambient),
  };
}

/** Why a luminous intensity is withheld. */
export type WithheldCandela = 'room' | 'no-distance' | 'no-width' | 'too-near' | 'no-ambient' | 'no-light';

/**
 * Luminous intensity towards the meter: I = E·d², the light of the surroundings taken off.
 *
 * Source: definition of the candela (BIPM SI brochure) and the inverse square law; five widths by the five-times rule of
 * photometric testing (from memory).
 *
 * @returns cd, or why it is withheld
 */
export function candelaOf(reading: LightReading): Measured | { withheld: WithheldCandela } {
  const { lampId, metres, lampMillimetres, ambientLux } = reading;
  if (lampId === null) return { withheld: 'room' };
  if (metres === null) return { withheld: 'no-distance' };
  if (lampMillimetres === null) return { withheld: 'no-width' };
  if (metres < (FIVE_WIDTHS * lampMillimetres) / 1000 - 1e-9) return { withheld: 'too-near' };
  if (ambientLux === null) return { withheld: 'no-ambient' };
  const lux = lampLux(reading);
  if (lux.value <= 0) return { withheld: 'no-light' };
  const value = lux.value * metres ** 2;
  // Of a disc evenly lit the inverse square law reads so much too little.
  const nearness = (lampMillimetres / 2000 / metres) ** 2;
  return {
    value,
    uncertainty: value * Math.hypot(lux.uncertainty / lux.value, (2 * TAPE_METRES) / metres, nearness),
  };
}

/** Why two readings give no ratio. */
export type WithheldRatio = 'other-distance' | 'no-ambient' | 'dark-before';

/** One over the other, or why not: both at one spot and distance, each with its surroundings taken off. */
export function luxRatio(over: LightReading, under: LightReading): Measured | { withheld: WithheldRatio } {
  const [a, b] = [over.metres, under.metres];
  if (a !== null && b !== null && Math.abs(a - b) > SAME_DISTANCE * Math.max(a, b))
    return { withheld: 'other-distance' };
  if (over.ambientLux === null || under.ambientLux === null) return { withheld: 'no-ambient' };
  const [top, bottom] = [lampLux(over), lampLux(under)];
  if (bottom.value <= 0) return { withheld: 'dark-before' };
  const value = top.value / bottom.value;
  return {
    value,
    uncertainty: Math.hypot(top.uncertainty / bottom.value, (value * bottom.uncertainty) / bottom.value),
  };
}

/** What was measured at one spot: the last reading before and after the work, and what they say together. */
export interface LightSpot {
  lampId: string | null;
  spot: string;
  before: LightReading | null;
  after: LightReading | null;
  ratio: Measured | { withheld: WithheldRatio } | null;
  /** by two photographs with the exposure locked, where that was done */
  photographed: LightRatio | null;
}

/** Every spot at which light was measured, in the order it first was. */
export function lightSpots(job: Job): LightSpot[] {
  const spots = new Map<string, LightSpot>();
  for (const each of standing(job)) {
    if (each.kind !== 'light' && each.kind !== 'light-ratio') continue;
    const key = JSON.stringify([each.lampId, each.spot.trim().toLowerCase()]);
    const spot: LightSpot = spots.get(key) ?? {
      lampId: each.lampId,
      spot: each.spot,
      before: null,
      after: null,
      ratio: null,
      photographed: null,
    };
    spots.set(
      key,
      each.kind === 'light-ratio' ? { ...spot, photographed: each } : { ...spot, [each.when]: each },
    );
  }
  return [...spots.values()].map((spot) => ({
    ...spot,
    ratio: spot.before && spot.after ? luxRatio(spot.after, spot.before) : null,
  }));
}

/** Left against right at spots of one name, before or after the work. */
export interface LeftOverRight {
  left: LightReading;
  right: LightReading;
  ratio: Measured | { withheld: WithheldRatio };
}

/** Lamps of one kind on the two flanks whose light was measured at spots of the same name, on the same side of the work. */
export function leftOverRight(job: Job): LeftOverRight[] {
  const spots = lightSpots(job);
  return (['before', 'after'] as const).flatMap((when) =>
    spots.flatMap((spot): LeftOverRight[] => {
      const left = spot[when];
      const lamp = job.vehicle.lamps.find(({ id }) => id === spot.lampId);
      if (!left || lamp?.side !== 'left') return [];
      const twin = lampAcross(job.vehicle, lamp);
      const across = spots.find((other) => other.lampId === twin?.id && sameSpot(other.spot, spot.spot));
      const right = twin ? across?.[when] : null;
      return right ? [{ left, right, ratio: luxRatio(left, right) }] : [];
    }),
  );
}

function sameSpot(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}
