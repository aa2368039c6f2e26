import type { ResistorNetwork } from '../model/cures.ts';
import type { Fitment, SocketContent } from '../simulation/fitment.ts';

/** The same with something else in one lamp, where anything is. */
export function withContent(
  fitment: Fitment,
  lampId: string,
  change: (content: SocketContent) => SocketContent,
): Fitment {
  const contents = new Map(fitment.contents);
  const content = contents.get(lampId);
  if (content) contents.set(lampId, change(content));
  return { ...fitment, contents };
}

/** Load resistors as they are counted at each lamp, from 0. */
export function networksOf({
  resistors,
}: Fitment): { lampId: string; index: number; network: ResistorNetwork }[] {
  const counted = new Map<string, number>();
  return resistors.map((network) => {
    const index = counted.get(network.lampId) ?? 0;
    counted.set(network.lampId, index + 1);
    return { lampId: network.lampId, index, network };
  });
}

/** The same with one of the resistors at a lamp changed or left out. */
export function withNetwork(
  fitment: Fitment,
  at: { lampId: string; index: number },
  change: (network: ResistorNetwork) => ResistorNetwork | null,
): Fitment {
  const resistors = networksOf(fitment).flatMap(({ lampId, index, network }): ResistorNetwork[] => {
    const next = lampId === at.lampId && index === at.index ? change(network) : network;
    return next ? [next] : [];
  });
  return { ...fitment, resistors };
}
