import { useElementSize } from '@mantine/hooks';
import { useRef } from 'react';
import { signalFilament } from '../../../core/catalogue/bulbs.ts';
import type { Lamp } from '../../../core/model/vehicle.ts';
import { watts } from '../../../core/quantities/format.ts';
import type { SocketContent } from '../../../core/vehicle/fitment.ts';
import { useWorkspace } from '../workspace.ts';
import classes from './PlanView.module.css';
import { glowRadius, lampCentre, lensPath, outlineIn } from './planGeometry.ts';
import { useFlash } from './useFlash.ts';
import { VanDrawing } from './VanDrawing.tsx';

/** The plan: every lamp where it is, lit as the rehearsal says. A lamp is a button that selects it. */
export function PlanView() {
  const { job, judges, stage, rehearsal, lamp: selected, selectLamp } = useWorkspace();
  const { ref, width, height } = useElementSize();
  const lights = useRef(new Map<string, SVGGElement>());
  useFlash(rehearsal, (byLamp) => {
    for (const [id, group] of lights.current) {
      // The eye judges light by about its square root: half the light still looks bright.
      group.style.opacity = String(Math.min(1, Math.sqrt(Math.max(0, byLamp.get(id) ?? 0))));
    }
  });
  const outline = outlineIn(width, height);
  const { contents } = judges[stage].network.fitment;
  const colours = new Map(rehearsal.lamps.map((show) => [show.lampId, show.colour]));
  return (
    <div ref={ref} className={classes.plan}>
      {width > 0 && (
        <svg width={width} height={height} className={classes.drawing}>
          <title>{job.vehicle.name}, from above, nose up</title>
          <defs>
            <filter id="glow" x="-150%" y="-150%" width="400%" height="400%">
              <feGaussianBlur stdDeviation="9" />
            </filter>
          </defs>
          <VanDrawing outline={outline} />
          {job.vehicle.lamps.map((lamp) => {
            const { x, y } = lampCentre(lamp, outline);
            const content = contents.get(lamp.id) ?? { kind: 'empty' };
            const colour = `var(--${colours.get(lamp.id) ?? 'amber'})`;
            const mirror = lamp.side === 'right' ? -1 : 1;
            return (
              <g
                key={lamp.id}
                role="button"
                tabIndex={0}
                aria-pressed={selected?.id === lamp.id}
                aria-label={`${lamp.name}: ${inWords(content)}`}
                className={classes.lamp}
                onClick={() => selectLamp(selected?.id === lamp.id ? null : lamp.id)}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter' && event.key !== ' ') return;
                  event.preventDefault();
                  selectLamp(selected?.id === lamp.id ? null : lamp.id);
                }}
              >
                <g transform={`translate(${x} ${y}) scale(${mirror} 1)`}>
                  <rect x="-22" y="-22" width="44" height="44" fill="transparent" />
                  <path d={lensPath(lamp)} className={classes.lens} />
                  <g
                    ref={(group) => {
                      if (group) lights.current.set(lamp.id, group);
                      else lights.current.delete(lamp.id);
                    }}
                    className={classes.light}
                  >
                    <circle
                      r={glowRadius(lumensOf(content))}
                      fill={colour}
                      filter="url(#glow)"
                      className={classes.glow}
                    />
                    <path d={lensPath(lamp)} fill={colour} />
                  </g>
                  <path d={lensPath(lamp)} className={classes.ring} />
                </g>
                <LampLabel lamp={lamp} x={x} y={y} content={content} width={width} />
              </g>
            );
          })}
        </svg>
      )}
    </div>
  );
}

function LampLabel({
  lamp,
  x,
  y,
  content,
  width,
}: {
  lamp: Lamp;
  x: number;
  y: number;
  content: SocketContent;
  width: number;
}) {
  const leftSide = lamp.side === 'left';
  const edge = leftSide ? 102 : width - 102;
  const from = leftSide ? x - 14 : x + 14;
  return (
    <g aria-hidden="true">
      <path d={`M${from} ${y}H${leftSide ? edge + 6 : edge - 6}`} stroke="var(--line2)" />
      <text x={edge} y={y - 3} textAnchor={leftSide ? 'end' : 'start'} className={classes.name}>
        {lamp.name}
      </text>
      <text x={edge} y={y + 13} textAnchor={leftSide ? 'end' : 'start'} className={classes.content}>
        {inWords(content)}
      </text>
    </g>
  );
}

function inWords(content: SocketContent): string {
  switch (content.kind) {
    case 'filament':
      return content.bulb.names[0] ?? content.bulb.id;
    case 'led':
      return `${content.part.code}, ${watts(content.part.watts)}`;
    case 'empty':
      return 'dead bulb';
  }
}

function lumensOf(content: SocketContent): number {
  switch (content.kind) {
    case 'filament':
      return signalFilament(content.bulb).lumens;
    case 'led':
      return content.part.lumens;
    case 'empty':
      return 0;
  }
}
