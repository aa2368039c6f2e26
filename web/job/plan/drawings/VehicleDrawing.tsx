import type { VehicleKind } from '../../../../core/model/vehicle/vehicle.ts';
import type { Outline } from '../planGeometry.ts';
import { CAR } from './car.ts';
import { COACH } from './coach.ts';
import type { Drawing } from './drawing.ts';
import { LORRY } from './lorry.ts';
import { MINIBUS } from './minibus.ts';
import { MOPED } from './moped.ts';
import { TRACTOR } from './tractor.ts';
import { TRAILER } from './trailer.ts';
import { VAN } from './van.ts';

const DRAWINGS: Record<VehicleKind, Drawing> = {
  car: CAR,
  van: VAN,
  minibus: MINIBUS,
  coach: COACH,
  lorry: LORRY,
  moped: MOPED,
  trailer: TRAILER,
  tractor: TRACTOR,
};

/** A vehicle from above, nose up: line work only, so that light is the only fill. */
export function VehicleDrawing({ kind, outline }: { kind: VehicleKind; outline: Outline }) {
  const drawing = DRAWINGS[kind];
  const at = (path: string) => placed(path, outline);
  return (
    <g fill="none" stroke="var(--line2)" strokeWidth="1.5" aria-hidden="true">
      {drawing.body.map((path) => (
        <path key={path} d={at(path)} fill="var(--deck)" />
      ))}
      {drawing.lines.map((path) => (
        <path key={path} d={at(path)} />
      ))}
      {drawing.hints.map((path) => (
        <path key={path} d={at(path)} strokeDasharray="2 5" />
      ))}
    </g>
  );
}

/** A path of M, L, Q, C and Z with its points in shares of the outline, laid onto the screen. */
export function placed(path: string, { left, top, width, height }: Outline): string {
  return path.replaceAll(
    /(-?[\d.]+),(-?[\d.]+)/g,
    (_, across: string, along: string) =>
      `${(left + Number(across) * width).toFixed(1)} ${(top + Number(along) * height).toFixed(1)}`,
  );
}
