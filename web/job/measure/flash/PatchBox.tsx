import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from 'react';
import type { Patch } from '../../../../core/formats/frames.ts';
import classes from './FlashMeter.module.css';

/** The middle of a picture: where a lamp mostly is. */
export const MIDDLE: Patch = { left: 0.4, top: 0.4, width: 0.2, height: 0.2 };
const STEP = 0.02;
const LEAST = 0.04;

const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** A picture with the patch that is measured on it: dragged with a finger, moved with the arrows, sized with plus and minus. */
export function PatchBox({
  patch,
  change,
  children,
}: {
  patch: Patch;
  change(patch: Patch): void;
  children: ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  const moved = (left: number, top: number) =>
    change({
      ...patch,
      left: within(left, 0, 1 - patch.width),
      top: within(top, 0, 1 - patch.height),
    });
  const sized = (by: number) => {
    const [width, height] = [within(patch.width + by, LEAST, 1), within(patch.height + by, LEAST, 1)];
    change({
      width,
      height,
      left: within(patch.left - by / 2, 0, 1 - width),
      top: within(patch.top - by / 2, 0, 1 - height),
    });
  };
  const drag = (event: PointerEvent<HTMLButtonElement>) => {
    const frame = box.current?.getBoundingClientRect();
    if (!frame || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    moved(
      (event.clientX - frame.left) / frame.width - patch.width / 2,
      (event.clientY - frame.top) / frame.height - patch.height / 2,
    );
  };
  const key = (event: KeyboardEvent) => {
    const by: Record<string, () => void> = {
      ArrowLeft: () => moved(patch.left - STEP, patch.top),
      ArrowRight: () => moved(patch.left + STEP, patch.top),
      ArrowUp: () => moved(patch.left, patch.top - STEP),
      ArrowDown: () => moved(patch.left, patch.top + STEP),
      '+': () => sized(STEP),
      '-': () => sized(-STEP),
    };
    const act = by[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <div className={classes.picture} ref={box}>
      {children}
      <button
        type="button"
        className={classes.patch}
        style={{
          left: `${100 * patch.left}%`,
          top: `${100 * patch.top}%`,
          width: `${100 * patch.width}%`,
          height: `${100 * patch.height}%`,
        }}
        aria-label="Patch that is measured. Arrows move it, plus and minus size it."
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={drag}
        onKeyDown={key}
      />
    </div>
  );
}
