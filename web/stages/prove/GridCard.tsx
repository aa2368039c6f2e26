import { type Cell, CONDITION_WORDS, CONDITIONS } from '../../../core/proving/cells.ts';
import type { ProvingGrid } from '../../../core/proving/grid.ts';
import { faultName } from '../../../core/words/faults.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import { CELL_STATE_WORDS, type cellStates } from './cellState.ts';
import classes from './GridCard.module.css';
import { StateMark } from './StateMark.tsx';

interface GridProps {
  grid: ProvingGrid;
  states: ReturnType<typeof cellStates>;
  chosen: string;
  choose(cellId: string): void;
}

/** Function by condition: every cell with how it stands, and those that suffice underlined. */
export function GridCard({ grid, states, chosen, choose }: GridProps) {
  const { job } = useDesk();
  const rows = [...new Set(grid.cells.map(({ of }) => of))];
  const columns = CONDITIONS.filter((each) => grid.cells.some((cell) => columnOf(cell) === each));
  const suffices = new Set(grid.smallest.flatMap((at) => grid.cells[at]?.id ?? []));
  const seen = grid.cells.filter(({ id }) => states.get(id)?.state !== 'open').length;
  const left = [...suffices].filter((id) => ['open', 'not-sure'].includes(states.get(id)?.state ?? 'open'));
  const name = (id: string) => grid.cells.find((cell) => cell.id === id)?.name ?? id;
  return (
    <Card
      title="Proving grid"
      aside={
        <span className="faint">
          {seen} of {grid.cells.length} seen
        </span>
      }
    >
      <Scrolls label="The cells" className={classes.scroll}>
        <table className={classes.grid}>
          <thead>
            <tr>
              <th scope="col">
                <span className="visually-hidden">Function</span>
              </th>
              {columns.map((each) => (
                <th key={each} scope="col">
                  {CONDITION_WORDS[each]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row}>
                <th scope="row">{row}</th>
                {columns.map((column) => {
                  const cell = grid.cells.find((each) => each.of === row && columnOf(each) === column);
                  return (
                    <td key={column}>
                      {cell && (
                        <CellButton
                          cell={cell}
                          state={states.get(cell.id)?.state ?? 'open'}
                          suffices={suffices.has(cell.id)}
                          chosen={cell.id === chosen}
                          choose={() => choose(cell.id)}
                        />
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
      <p className={classes.enough}>
        <b>
          {suffices.size} of {grid.cells.length} cells are enough
        </b>{' '}
        (underlined): they show every one of {grid.faults.length - grid.unshown.length} faults that any cell
        shows, and every lamp at each of its levels and dark; computed on this vehicle.{' '}
        {left.length > 0 ? `Left: ${left.map(name).join('; ')}.` : 'All of them are done.'}
      </p>
      {grid.unshown.length + grid.doubtful.length > 0 && (
        <details className={classes.hidden}>
          <summary>
            Faults no cell can show: {grid.unshown.length}. Shown only where they are large enough:{' '}
            {grid.doubtful.length}
          </summary>
          {grid.unshown.length > 0 && (
            <p>
              <b>Never:</b> {grid.unshown.map(({ fault }) => faultName(fault, job.vehicle)).join('; ')}.
            </p>
          )}
          {grid.doubtful.length > 0 && (
            <p>
              <b>Perhaps:</b> {grid.doubtful.map(({ fault }) => faultName(fault, job.vehicle)).join('; ')}.
            </p>
          )}
        </details>
      )}
    </Card>
  );
}

/** What must be waited for has a row of its own, and stands in it alone. */
function columnOf({ condition }: Cell): Cell['condition'] {
  return condition === 'asleep' || condition === 'minutes' ? 'alone' : condition;
}

function CellButton({
  cell,
  state,
  suffices,
  chosen,
  choose,
}: {
  cell: Cell;
  state: Parameters<typeof StateMark>[0]['state'];
  suffices: boolean;
  chosen: boolean;
  choose(): void;
}) {
  return (
    <button
      type="button"
      className={classes.cell}
      data-suffices={suffices}
      aria-pressed={chosen}
      aria-label={`${cell.name}: ${CELL_STATE_WORDS[state]}${suffices ? ', one of the cells that are enough' : ''}`}
      onClick={choose}
    >
      <StateMark state={state} />
    </button>
  );
}
