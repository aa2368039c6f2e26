import type { Fitment } from '../simulation/fitment.ts';
import { type Fault, kindOf } from './kinds.ts';

/**
 * A fault at some share between its smallest and its largest size, by equal factors; itself where it has none.
 *
 * @param share 0 the smallest, 1 the largest
 */
export function atSize(fault: Fault, fitment: Fitment, share: number): Fault {
  const { size } = kindOf(fault);
  if (!size) return fault;
  const { from, to } = size.of(fault, fitment);
  return size.as(fault, from * (to / from) ** share);
}

/**
 * A fault as small and as large as it is looked for, and of what lamps share in between too: there one lamp feeds back
 * through another most at neither end. Itself alone where it has no size.
 */
export function sizesOf(fault: Fault, fitment: Fitment): readonly Fault[] {
  const { size } = kindOf(fault);
  if (!size) return [fault];
  return [0, ...(size.between ? [0.5] : []), 1].map((share) => atSize(fault, fitment, share));
}
