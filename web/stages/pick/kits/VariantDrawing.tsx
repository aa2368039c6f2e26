import { leftInBox } from '../../../../core/kits/jobKits.ts';
import type { KitSheet, KitVariant } from '../../../../core/model/kit.ts';
import { kitUseWords } from '../../../../core/words/kits.ts';
import classes from './Kits.module.css';

const ROW = 34;
const WIDTH = 560;
/** Where plugs end and links begin across the drawing, px. */
const PLUG = { left: 8, right: 236 };
const LINK = { left: 262, right: WIDTH - 8 };

/** The variant as it is joined: plugs in use with their pins out, capped ones closed, links from wire to wire. */
export function VariantDrawing({ sheet, variant }: { sheet: KitSheet; variant: KitVariant }) {
  const plugs = sheet.plugs.map((plug) => ({
    ...plug,
    state: variant.used.includes(plug.id) ? 'used' : variant.capped.includes(plug.id) ? 'capped' : 'left',
  }));
  const height = Math.max(plugs.length, variant.links.length, 1) * ROW + 6;
  const name = (state: string) =>
    state === 'used' ? 'plugged in' : state === 'capped' ? 'capped' : 'not used';
  return (
    <div className={classes.drawn}>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className={classes.drawing}
        role="img"
        aria-label={`${variant.name}: ${plugs.map(({ what, state }) => `${what} ${name(state)}`).join('; ')}${variant.links.length > 0 ? `; linked ${variant.links.map(({ from, to }) => `${from} to ${to}`).join('; ')}` : ''}`}
      >
        {plugs.map(({ id, what, state }, at) => {
          const y = at * ROW + 6;
          return (
            <g key={id} data-state={state}>
              <path
                d={`M${PLUG.left + 10} ${y}h${PLUG.right - PLUG.left - 34}v24h-${PLUG.right - PLUG.left - 34}a12 12 0 0 1 0 -24z`}
                className={classes.body}
              />
              <text x={PLUG.left + 14} y={y + 16} className={classes.words}>
                {what}
              </text>
              {state === 'used' &&
                [6, 12, 18].map((offset) => (
                  <path key={offset} d={`M${PLUG.right - 24} ${y + offset}h14`} className={classes.pin} />
                ))}
              {state === 'capped' && (
                <path d={`M${PLUG.right - 22} ${y - 2}h12v28h-12z`} className={classes.cap} />
              )}
            </g>
          );
        })}
        {variant.links.map(({ from, to }, at) => {
          const y = at * ROW + 18;
          return (
            <g key={`${from} ${to}`}>
              <circle cx={LINK.left} cy={y} r={4} className={classes.joint} />
              <path d={`M${LINK.left + 4} ${y}h28`} className={classes.pin} />
              <circle cx={LINK.left + 36} cy={y} r={4} className={classes.joint} />
              <text x={LINK.left + 48} y={y + 4} className={classes.words}>
                {from} to {to}
              </text>
            </g>
          );
        })}
      </svg>
      <dl className={classes.lists}>
        <div>
          <dt>Out of the box</dt>
          {variant.uses.map((use) => (
            <dd key={`${use.itemId} ${use.across?.does ?? ''}`}>{kitUseWords(sheet, use)}</dd>
          ))}
        </div>
        <div>
          <dt>Stays in the box</dt>
          {leftInBox(sheet, variant).map(({ item, count }) => (
            <dd key={item.id}>
              {count} × {item.what}
            </dd>
          ))}
        </div>
        {variant.modules.length > 0 && (
          <div>
            <dt>Moves over from the old lamp</dt>
            {variant.modules.map((what) => (
              <dd key={what}>{what}</dd>
            ))}
          </div>
        )}
        <div>
          <dt>Plugs</dt>
          {plugs.map(({ id, what, state }) => (
            <dd key={id}>
              {what}: {name(state)}
            </dd>
          ))}
        </div>
      </dl>
    </div>
  );
}
