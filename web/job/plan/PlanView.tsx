import { useElementSize } from '@mantine/hooks';
import { type RefObject, useRef } from 'react';
import { useParams } from 'react-router';
import { signalFilament } from '../../../core/catalogue/bulbs.ts';
import { watts } from '../../../core/formatting/format.ts';
import type { Lamp, LampInput } from '../../../core/model/vehicle/lamp.ts';
import { circuitsOf } from '../../../core/model/vehicle/lookUp.ts';
import type { SocketContent } from '../../../core/simulation/fitment.ts';
import type { LampTrace } from '../../../core/traces/traceLamps.ts';
import { useDesk, useWorkspace, VEHICLE_SCREEN } from '../workspace.ts';
import { VehicleDrawing } from './drawings/VehicleDrawing.tsx';
import { LABEL_EDGE, type LabelPlace, labelPlaces, namesThatFit } from './labels.ts';
import classes from './PlanView.module.css';
import { glowRadius, lampCentre, lensPath, lensScale, outlineIn } from './planGeometry.ts';
import { showKey, useFlash } from './useFlash.ts';
import { useMoveLamps } from './useMoveLamps.ts';

const INPUTS: readonly LampInput[] = ['dim', 'main'];
/** Height of a label of two lines, and of one, px. */
const TWO_LINES = 36;
const ONE_LINE = 19;

/** The groups that shine, by which light of which lamp. */
type Lights = RefObject<Map<string, SVGGElement>>;

/** The plan: every lamp where it is, lit as the traces say. */
export function PlanView() {
  const lights = useRef(new Map<string, SVGGElement>());
  return (
    <>
      <PlanDrawing lights={lights} />
      <PlanLights lights={lights} />
    </>
  );
}

/**
 * Lets the drawn lamps shine. It draws nothing itself, so that new traces or a dragged slider changes light and
 * colour, and no shape.
 */
function PlanLights({ lights }: { lights: Lights }) {
  const { traces } = useWorkspace();
  const shows = new Map(traces.lamps.map((show) => [showKey(show), show]));
  useFlash(traces, (byLamp) => {
    for (const [key, group] of lights.current) {
      // The eye judges light by about its square root: half the light still looks bright.
      const light = (byLamp.get(key) ?? 0) * shareOfLamp(shows, key);
      const opacity = String(Math.min(1, Math.sqrt(Math.max(0, light))));
      if (group.style.opacity !== opacity) group.style.opacity = opacity;
      const colour = `var(--${shows.get(key)?.colour ?? 'amber'})`;
      if (group.style.color !== colour) group.style.color = colour;
    }
  });
  return null;
}

/** Names on the fuller flank, were those in the middle to go there. */
function busierFlank(lamps: readonly Lamp[]): number {
  return Math.max(
    lamps.filter((lamp) => lamp.side !== 'right').length,
    lamps.filter((lamp) => lamp.side !== 'left').length,
  );
}

/** A lamp is a button that selects it. */
function PlanDrawing({ lights }: { lights: Lights }) {
  const { job, fitments, configuration, lamp: selected, selectLamp } = useDesk();
  const { ref, width, height } = useElementSize();
  const { kind } = job.vehicle;
  // Whose names stand beside the plan: of many lamps those outside, and whichever is in hand.
  const all = job.vehicle.lamps;
  const wanted = all.filter(
    (lamp) => all.length <= 8 || lamp.id === selected?.id || (lamp.end !== 'inside' && lamp.end !== 'dash'),
  );
  const room = Math.floor((height - ONE_LINE) / ONE_LINE);
  const crowded = busierFlank(wanted) > room;
  const drawnHeight = crowded ? height - ONE_LINE : height;
  const outline = outlineIn(kind, width, drawnHeight);
  const editing = useParams().stage === VEHICLE_SCREEN;
  const { planOf, handlers, nudge } = useMoveLamps(outline);
  const placed = (lamp: Lamp): Lamp => ({ ...lamp, plan: planOf(lamp) });
  const lamps = all.map(placed);
  const { contents } = fitments[configuration];
  const named = (
    crowded
      ? namesThatFit(wanted, room - 1, selected?.id, ({ id, end }) =>
          [end, ...circuitsOf(job.vehicle, id).map((circuit) => circuit.id)].join(),
        )
      : wanted
  ).map(placed);
  const busiest = busierFlank(named);
  const lineHeight = busiest * TWO_LINES <= height ? TWO_LINES : ONE_LINE;
  const rise = lineHeight === TWO_LINES ? 0 : 4;
  const places = labelPlaces(named, outline, drawnHeight, lineHeight, rise);
  const scale = lensScale(lamps.length, outline);
  return (
    <div ref={ref} className={classes.plan}>
      {crowded && width > 0 && (
        <p className={classes.some}>
          {named.length} of {lamps.length} are named: a lamp you choose is, too.
        </p>
      )}
      {width > 0 && (
        <svg width={width} height={height} className={classes.drawing}>
          <title>{job.vehicle.name}, from above, nose up</title>
          <defs>
            <filter id="glow" x="-150%" y="-150%" width="400%" height="400%">
              <feGaussianBlur stdDeviation="9" />
            </filter>
          </defs>
          <VehicleDrawing kind={kind} outline={outline} />
          {places.map((place) => {
            const lamp = lamps.find((each) => each.id === place.lampId);
            return (
              lamp && (
                <LampLabel
                  key={lamp.id}
                  lamp={lamp}
                  place={place}
                  content={contents.get(lamp.id) ?? { kind: 'empty' }}
                  width={width}
                  twoLines={lineHeight === TWO_LINES}
                  selected={lamp.id === selected?.id}
                />
              )
            );
          })}
          {lamps.map((lamp) => {
            const { x, y } = lampCentre(lamp, outline);
            const content = contents.get(lamp.id) ?? { kind: 'empty' };
            const reach = lamps.length > 12 ? 15 : 22;
            return (
              <g
                key={lamp.id}
                role="button"
                tabIndex={0}
                aria-pressed={selected?.id === lamp.id}
                aria-label={`${lamp.name}: ${inWords(content)}`}
                className={classes.lamp}
                data-editing={editing}
                {...(editing ? handlers(lamp) : {})}
                onClick={() => selectLamp(selected?.id === lamp.id && !editing ? null : lamp.id)}
                onKeyDown={(event) => {
                  if (editing && nudge(event, lamp)) return;
                  if (event.key !== 'Enter' && event.key !== ' ') return;
                  event.preventDefault();
                  selectLamp(selected?.id === lamp.id ? null : lamp.id);
                }}
              >
                <g
                  transform={`translate(${x} ${y}) scale(${lamp.side === 'right' ? -scale : scale} ${scale})`}
                >
                  <rect x={-reach} y={-reach} width={2 * reach} height={2 * reach} fill="transparent" />
                  <path d={lensPath(lamp)} className={classes.lens} />
                  {INPUTS.map((input) => {
                    const key = `${lamp.id}:${input}`;
                    return (
                      <g
                        key={input}
                        data-input={input}
                        ref={(group) => {
                          if (group) lights.current.set(key, group);
                          else lights.current.delete(key);
                        }}
                        className={classes.light}
                      >
                        <circle
                          r={glowRadius(lumensOf(content))}
                          fill="currentColor"
                          filter="url(#glow)"
                          className={classes.glow}
                        />
                        <path d={lensPath(lamp)} fill="currentColor" />
                      </g>
                    );
                  })}
                  <path d={lensPath(lamp)} className={classes.ring} />
                </g>
              </g>
            );
          })}
        </svg>
      )}
    </div>
  );
}

/** A twin bulb's dim filament is weighed against its bright one, so that tail looks dimmer than stop. */
function shareOfLamp(shows: ReadonlyMap<string, LampTrace>, key: string): number {
  const show = shows.get(key);
  const main = shows.get(key.replace(/:dim$/, ':main'));
  return show && main ? Math.min(1, show.lumens / main.lumens) : 1;
}

function LampLabel({
  lamp,
  place,
  content,
  width,
  twoLines,
  selected,
}: {
  lamp: Lamp;
  place: LabelPlace;
  content: SocketContent;
  width: number;
  twoLines: boolean;
  selected: boolean;
}) {
  const left = place.flank === 'left';
  const edge = left ? LABEL_EDGE : width - LABEL_EDGE;
  const [from, bend, to] = place.leader;
  return (
    <g aria-hidden="true">
      <path
        d={`M${from.x} ${from.y}L${bend.x} ${bend.y}H${to.x}`}
        className={classes.leader}
        data-selected={selected}
      />
      <text
        x={edge}
        y={twoLines ? place.y - 3 : place.y}
        textAnchor={left ? 'end' : 'start'}
        className={classes.name}
        data-selected={selected}
        data-small={!twoLines}
      >
        {nameOnFlank(lamp)}
      </text>
      {twoLines && (
        <text x={edge} y={place.y + 13} textAnchor={left ? 'end' : 'start'} className={classes.content}>
          {inWords(content)}
        </text>
      )}
    </g>
  );
}

/** On its flank a lamp need not say which. */
function nameOnFlank({ name, side }: Lamp): string {
  return name.endsWith(` ${side}`) ? name.slice(0, -side.length - 1) : name;
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
