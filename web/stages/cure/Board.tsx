import type { BoardCell, BoardRow, CureBoard } from '../../../core/cures/board/board.ts';
import { Mark } from '../../ui/Mark.tsx';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import classes from './Board.module.css';
import type { InHand } from './useInHand.ts';

interface BoardProps {
  /** null until it is there */
  board: CureBoard | null;
  error: Error | null;
  busy: boolean;
  inHand: InHand;
  /** what nobody has looked at yet, each with the look that would narrow it */
  open: readonly string[];
}

/** Every circuit of the vehicle that matters, before and after; one of them is in hand. */
export function Board({ board, error, busy, inHand, open }: BoardProps) {
  // No line is no verdict: nothing would hold.
  const nothing = board?.rows.length === 0;
  return (
    <section className={classes.board} aria-label="Every circuit of this vehicle" aria-busy={busy}>
      <div className={classes.head}>
        <h3>This vehicle</h3>
        {board && !nothing && <VerdictBadge state={board.state} detail="as cured now" />}
        {open.length > 0 && (
          <details className={classes.open}>
            <summary>{open.length === 1 ? 'one thing open' : `${open.length} things open`}</summary>
            <p>{open.join(' ')} Until then what is said here must hold either way.</p>
          </details>
        )}
      </div>
      {error && <p role="alert">The circuits could not be judged: {error.message}</p>}
      {!board && !error && <p className={classes.waiting}>Judging every circuit.</p>}
      {nothing && (
        <p className={classes.waiting}>This job converts nothing: say at Look over what it is to.</p>
      )}
      {board && !nothing && (
        <table className={classes.table}>
          <thead>
            <tr>
              <th>Circuit</th>
              <th>LEDs alone</th>
              <th>With its cure</th>
              <th>At the worst moment</th>
            </tr>
          </thead>
          <tbody>
            {board.rows.map((row) => (
              <Row key={row.id} row={row} inHand={inHand} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Row({ row, inHand }: { row: BoardRow; inHand: InHand }) {
  const mine = row.id !== 'hazard' && row.circuitIds.includes(inHand.circuit.id);
  const lamps = `${row.lamps} ${row.lamps === 1 ? 'lamp' : 'lamps'}`;
  return (
    <tr data-mine={mine}>
      <th scope="row">
        {row.matters ? (
          <button type="button" aria-pressed={mine} onClick={() => inHand.takeRow(row)}>
            {row.name}
          </button>
        ) : (
          row.name
        )}
        <span className={classes.lamps}>{lamps}</span>
      </th>
      <Cell cell={row.leds} label="LEDs alone" />
      <Cell cell={row.cured} label="with its cure" />
      <td data-label={row.worst === '' ? undefined : 'worst'}>{row.worst}</td>
    </tr>
  );
}

function Cell({ cell, label }: { cell: BoardCell; label: string }) {
  return (
    <td data-label={label} data-state={cell.state}>
      <span className={classes.cell}>
        <Mark state={cell.state} label /> {cell.text}
      </span>
    </td>
  );
}
