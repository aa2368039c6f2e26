import type { Outline } from './planGeometry.ts';

/** A van from above, nose up: line work only, so that light is the only fill. */
export function VanDrawing({ outline }: { outline: Outline }) {
  const { left, top, width: w, height: h } = outline;
  const x = (share: number) => left + share * w;
  const y = (share: number) => top + share * h;
  return (
    <g fill="none" stroke="var(--line2)" strokeWidth="1.5" aria-hidden="true">
      <path
        d={`M${x(0.04)} ${y(0.11)}C${x(0.05)} ${y(0.035)} ${x(0.16)} ${y(0.012)} ${x(0.3)} ${y(0.006)}Q${x(0.5)} ${y(-0.006)} ${x(0.7)} ${y(0.006)}C${x(0.84)} ${y(0.012)} ${x(0.95)} ${y(0.035)} ${x(0.96)} ${y(0.11)}V${y(0.96)}Q${x(0.96)} ${y(0.995)} ${x(0.88)} ${y(0.995)}H${x(0.12)}Q${x(0.04)} ${y(0.995)} ${x(0.04)} ${y(0.96)}Z`}
        fill="var(--deck)"
      />
      {/* windscreen, bonnet line, doors, load bay with its roof hatch */}
      <path
        d={`M${x(0.11)} ${y(0.19)}Q${x(0.5)} ${y(0.125)} ${x(0.89)} ${y(0.19)}L${x(0.84)} ${y(0.265)}Q${x(0.5)} ${y(0.215)} ${x(0.16)} ${y(0.265)}Z`}
      />
      <path d={`M${x(0.13)} ${y(0.105)}Q${x(0.5)} ${y(0.06)} ${x(0.87)} ${y(0.105)}`} strokeDasharray="2 5" />
      <path d={`M${x(0.13)} ${y(0.31)}V${y(0.93)}H${x(0.87)}V${y(0.31)}Z`} strokeDasharray="2 5" />
      <path d={`M${x(0.3)} ${y(0.44)}H${x(0.7)}V${y(0.62)}H${x(0.3)}Z`} />
      <path d={`M${x(0.5)} ${y(0.955)}V${y(0.995)}`} />
      <path
        d={`M${x(0.04)} ${y(0.225)}L${x(-0.06)} ${y(0.235)}V${y(0.268)}L${x(0.04)} ${y(0.272)}M${x(0.96)} ${y(0.225)}L${x(1.06)} ${y(0.235)}V${y(0.268)}L${x(0.96)} ${y(0.272)}`}
      />
    </g>
  );
}
