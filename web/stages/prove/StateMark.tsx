import type { CellState } from './cellState.ts';

/** How a cell stands, as a shape: a lens filled, hatched or empty, a triangle where it is not so. */
export function StateMark({ state }: { state: CellState }) {
  return (
    <svg width="16" height="16" viewBox="0 0 14 14" aria-hidden="true" focusable="false">
      {state === 'passed' && <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="var(--petrol)" />}
      {state === 'failed' && (
        <path d="M1.5 12L7 2l5.5 10z" fill="none" stroke="var(--plum)" strokeWidth="1.8" />
      )}
      {state === 'not-sure' && (
        <path
          d="M2 2h5a5 5 0 0 1 0 10H2z"
          fill="none"
          stroke="var(--slate)"
          strokeWidth="1.6"
          strokeDasharray="2 1.5"
        />
      )}
      {state === 'open' && (
        <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="none" stroke="var(--line2)" strokeWidth="1.4" />
      )}
    </svg>
  );
}
