import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { moveLamp } from '../../../core/vehicle/edit/moveLamp.ts';
import { useDesk } from '../workspace.ts';
import type { Outline } from './planGeometry.ts';

/** A hand that trembles on a click has not dragged, px. */
const STILL = 4;
/** One press of an arrow key, as a share of the plan; with Shift five of them. */
const STEP = 0.01;

const ARROWS: Record<string, readonly [across: number, along: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Lamps dragged on the plan, or nudged with the arrow keys; the twin on the other flank goes along. */
export function useMoveLamps(outline: Outline) {
  const { job, edit, alike, selectLamp } = useDesk();
  const [dragged, setDragged] = useState<{ lampId: string; plan: Lamp['plan']; dropped?: true } | null>(null);
  // A dropped lamp stays where it was let go until the edit is stored: it must not jump back for a moment.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the stored vehicle that ends the drag
  useEffect(() => setDragged((now) => (now?.dropped ? null : now)), [job.vehicle]);
  const start = useRef<{ x: number; y: number; plan: Lamp['plan'] } | null>(null);

  const move = (lamp: Lamp, plan: Lamp['plan'], mergeKey?: string) => {
    // Its twin is told by where both stand, so by where the lamp stood before it was dragged.
    const stored = job.vehicle.lamps.find((each) => each.id === lamp.id);
    const twin = alike && stored ? lampAcross(job.vehicle, stored) : undefined;
    edit(`Move ${lamp.name.toLowerCase()}`, (draft) => moveLamp(draft, lamp, plan, twin?.id), {
      ...(mergeKey ? { mergeKey } : {}),
    });
  };
  const planAt = (event: PointerEvent, from: { x: number; y: number; plan: Lamp['plan'] }) => ({
    across: clamp(from.plan.across + (event.clientX - from.x) / outline.width),
    along: clamp(from.plan.along + (event.clientY - from.y) / outline.height),
  });

  return {
    /** where a lamp is shown while it is being dragged */
    planOf: (lamp: Lamp) => (dragged?.lampId === lamp.id ? dragged.plan : lamp.plan),
    handlers: (lamp: Lamp) => ({
      onPointerDown: (event: PointerEvent<SVGGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        start.current = { x: event.clientX, y: event.clientY, plan: lamp.plan };
      },
      onPointerMove: (event: PointerEvent<SVGGElement>) => {
        const from = start.current;
        if (!from) return;
        const far = Math.hypot(event.clientX - from.x, event.clientY - from.y) > STILL;
        if (far || dragged) setDragged({ lampId: lamp.id, plan: planAt(event, from) });
      },
      onPointerUp: (event: PointerEvent<SVGGElement>) => {
        const from = start.current;
        start.current = null;
        if (!from || !dragged) return;
        const plan = planAt(event, from);
        setDragged({ lampId: lamp.id, plan, dropped: true });
        move(lamp, plan);
        selectLamp(lamp.id);
      },
      onPointerCancel: () => {
        start.current = null;
        setDragged(null);
      },
    }),
    /** @returns whether the key moved the lamp */
    nudge: (event: KeyboardEvent, lamp: Lamp): boolean => {
      const arrow = ARROWS[event.key];
      if (!arrow) return false;
      event.preventDefault();
      event.stopPropagation();
      const step = event.shiftKey ? 5 * STEP : STEP;
      const { across, along } = lamp.plan;
      move(
        lamp,
        { across: clamp(across + arrow[0] * step), along: clamp(along + arrow[1] * step) },
        `move-${lamp.id}`,
      );
      return true;
    },
  };
}

function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}
