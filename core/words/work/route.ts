import type { RouteGrounds } from '../../work/order/route.ts';

/** Why the work of a job is in this order. */
export function routeReasons(grounds: RouteGrounds): string[] {
  const { panels, lamps, firstSide, batteryOff, inTheWay } = grounds;
  return [
    `Each of ${panels} ${panels === 1 ? 'panel' : 'panels'} is opened once, for ${lamps} ${lamps === 1 ? 'lamp' : 'lamps'}.`,
    ...(firstSide
      ? [`The ${firstSide} side first: it is compared with the other while that is still stock.`]
      : []),
    testingWords(grounds),
    ...(batteryOff ? ['What needs the battery off is done together.'] : []),
    ...(inTheWay ? ['What is only in the way is opened before what is behind it and closed after it.'] : []),
  ];
}

function testingWords({ helper, testing, litRounds, lamps }: RouteGrounds): string {
  if (helper) return 'Somebody works the switches, so each lamp is seen lit where it is.';
  if (testing === 'after')
    return 'Panels are closed at once and every lamp is looked at in one round at the end.';
  const saved =
    litRounds < lamps
      ? `the switches are worked ${litRounds === 1 ? 'once' : `${litRounds} times`} and not ${lamps} times: `
      : '';
  return `Alone, ${saved}a side is done, switched on, then seen and closed in one round.`;
}
