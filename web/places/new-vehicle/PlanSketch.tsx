import type { Vehicle } from '../../../core/model/vehicle/vehicle.ts';
import { VehicleDrawing } from '../../job/plan/drawings/VehicleDrawing.tsx';
import { lampCentre, lensPath, lensScale, outlineIn } from '../../job/plan/planGeometry.ts';
import classes from './NewVehicle.module.css';

const SIZE = { width: 420, height: 600 };

/** The vehicle from above with its lamps as the layout places them, unlit. */
export function PlanSketch({ vehicle }: { vehicle: Vehicle }) {
  const outline = outlineIn(vehicle.kind, SIZE.width, SIZE.height);
  const scale = lensScale(vehicle.lamps.length, outline);
  return (
    <figure className={classes.figure}>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className={classes.sketch}
        role="img"
        aria-label={`Plan: ${vehicle.lamps.length} lamps`}
      >
        <VehicleDrawing kind={vehicle.kind} outline={outline} />
        {vehicle.lamps.map((lamp) => {
          const { x, y } = lampCentre(lamp, outline);
          return (
            <path
              key={lamp.id}
              d={lensPath(lamp)}
              transform={`translate(${x} ${y}) scale(${lamp.side === 'right' ? -scale : scale} ${scale})`}
              className={classes.lens}
            >
              <title>{lamp.name}</title>
            </path>
          );
        })}
      </svg>
      <figcaption className="faint">
        From above, nose up. Left is left from the driver’s seat, always.
      </figcaption>
    </figure>
  );
}
