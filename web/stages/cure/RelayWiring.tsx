import type { RelayMapping, TerminalLink } from '../../../core/devices/relayMapping.ts';
import classes from './RelayWiring.module.css';

const ROW = 34;
const TOP = 30;
const OLD = 118;
const NEW = 262;

/**
 * The old socket's terminals on the left, the new relay's on the right, and each wire between them: straight where it
 * plugs in, crossed where places are exchanged, dashed where something has to be added. Its own order on either side,
 * so that a crossing is seen as one.
 */
export function RelayWiring({ mapped }: { mapped: RelayMapping }) {
  const { links, crossed } = mapped;
  const old = links.filter((link) => link.from !== null);
  const fresh = crossed ? exchanged(links) : links.filter((link) => link.to !== null);
  const bodyEarth = links.some((link) => link.function === 'earth' && link.state === 'missing');
  const rows = Math.max(old.length, fresh.length, 2) + (bodyEarth ? 1 : 0);
  const height = TOP + rows * ROW + 8;
  const y = (list: readonly TerminalLink[], link: TerminalLink) => TOP + ROW / 2 + list.indexOf(link) * ROW;
  return (
    <svg
      viewBox={`0 0 380 ${height}`}
      className={classes.wiring}
      role="img"
      aria-label={links.map((link) => link.text).join('; ')}
    >
      <text x={OLD - 4} y="18" textAnchor="end" className={classes.head}>
        old socket
      </text>
      <text x={NEW + 4} y="18" className={classes.head}>
        new relay
      </text>
      {links.map((link) => {
        if (link.from !== null && link.to !== null)
          return (
            <path
              key={link.function}
              d={`M${OLD} ${y(old, link)} C${OLD + 60} ${y(old, link)} ${NEW - 60} ${y(fresh, link)} ${NEW} ${y(fresh, link)}`}
              className={classes.wire}
              data-crossed={crossed && (link.function === 'supply' || link.function === 'lamps')}
            />
          );
        if (link.state === 'missing' && link.function === 'earth') {
          const to = link.to === null ? height - ROW / 2 : y(fresh, link);
          return (
            <g key={link.function}>
              <path d={`M${NEW} ${to} H${OLD + 62}`} className={classes.added} />
              <path
                d={`M${OLD + 62} ${to - 9}v18M${OLD + 56} ${to - 6}v12M${OLD + 50} ${to - 3}v6`}
                className={classes.earth}
              />
            </g>
          );
        }
        const spare = link.from !== null;
        const at = spare ? y(old, link) : y(fresh, link);
        return (
          <path
            key={link.function}
            d={spare ? `M${OLD} ${at} h26` : `M${NEW} ${at} h-26`}
            className={classes.added}
          />
        );
      })}
      {old.map((link) => (
        <Terminal
          key={link.function}
          x={OLD}
          y={y(old, link)}
          mark={link.from ?? ''}
          name={NAMES[link.function]}
          left
        />
      ))}
      {fresh.map((link) => (
        <Terminal
          key={link.function}
          x={NEW}
          y={y(fresh, link)}
          mark={link.to ?? ''}
          name={NAMES[link.function]}
        />
      ))}
    </svg>
  );
}

const NAMES: Record<TerminalLink['function'], string> = {
  supply: 'supply',
  lamps: 'lamps',
  earth: 'earth',
  pilot: 'pilot',
};

/** Of a crossed relay the lamps' terminal stands where the supply's was. */
function exchanged(links: readonly TerminalLink[]): TerminalLink[] {
  const of = (name: TerminalLink['function']) => links.filter((link) => link.function === name && link.to);
  return [...of('lamps'), ...of('supply'), ...of('earth'), ...of('pilot')];
}

function Terminal({
  x,
  y,
  mark,
  name,
  left = false,
}: {
  x: number;
  y: number;
  mark: string;
  name: string;
  left?: boolean;
}) {
  const box = left ? x - 34 : x;
  return (
    <g>
      <rect x={box} y={y - 12} width="34" height="24" rx={left ? 2 : 8} className={classes.pin} />
      <text x={box + 17} y={y + 5} textAnchor="middle" className={classes.mark}>
        {mark}
      </text>
      <text
        x={left ? box - 8 : box + 42}
        y={y + 5}
        textAnchor={left ? 'end' : 'start'}
        className={classes.name}
      >
        {name}
      </text>
    </g>
  );
}
