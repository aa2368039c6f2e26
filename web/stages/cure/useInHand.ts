import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import type { BoardRow } from '../../../core/cures/board/board.ts';
import { flashes, steadyScope } from '../../../core/model/scope.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { circuitsOf } from '../../../core/model/vehicle/lookUp.ts';
import { useDesk } from '../../job/workspace.ts';

/** What of the Cure stage is in hand; kept in the address, so that a reload finds it again. */
export interface InHand {
  circuit: Circuit;
  /** which details of it are shown; null for those of its cure */
  show: string | null;
  take(circuitId: string): void;
  takeRow(row: BoardRow): void;
  setShow(show: string): void;
}

/** The circuit in hand: a side of turn lamps as the whole job screen has it, or one of the others. */
export function useCircuitInHand(): Circuit {
  const { job, circuit: turn } = useDesk();
  const [params] = useSearchParams();
  const asked = job.vehicle.circuits.find(
    (each) => each.id === params.get('circuit') && each.kind !== 'turn',
  );
  // A job that touches nothing that flashes begins with the first it does touch.
  return asked ?? (flashes(job) ? undefined : steadyScope(job)[0]) ?? turn;
}

/** What is in hand, and how to take something else. A lamp selected on the plan brings its circuit with it. */
export function useInHand(): InHand {
  const { job, lamp, selectCircuit } = useDesk();
  const [params, setParams] = useSearchParams();
  const circuit = useCircuitInHand();
  const set = (change: Record<string, string | null>) =>
    setParams(
      (now) => {
        for (const [name, value] of Object.entries(change)) {
          if (value === null) now.delete(name);
          else now.set(name, value);
        }
        return now;
      },
      { replace: true },
    );
  const { circuits } = job.vehicle;
  const take = (circuitId: string) => {
    const wanted = circuits.find((each) => each.id === circuitId);
    if (!wanted) return;
    if (wanted.kind === 'turn') selectCircuit(wanted.id);
    set({ circuit: wanted.kind === 'turn' ? null : wanted.id });
  };
  const seen = useRef(lamp?.id);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another lamp brings its circuit, nothing else does
  useEffect(() => {
    if (seen.current === lamp?.id) return;
    seen.current = lamp?.id;
    if (!lamp) return;
    const [first] = circuitsOf(job.vehicle, lamp.id);
    if (first) set({ circuit: first.kind === 'turn' ? null : first.id });
  }, [lamp?.id]);
  return {
    circuit,
    show: params.get('show'),
    take,
    takeRow: (row) => {
      const [first] = row.circuitIds;
      if (row.id !== 'hazard' && first !== undefined) take(first);
      else set({ circuit: null, show: 'limits' });
    },
    setShow: (show) => set({ show }),
  };
}
