import { useMemo } from 'react';
import { baseRecord } from '../../../core/catalogue/bases.ts';
import { scopeLamps } from '../../../core/model/scope.ts';
import { circuitsOf } from '../../../core/model/vehicle/lookUp.ts';
import { stockName } from '../../../core/simulation/fitment.ts';
import { functionsOf } from '../../../core/vehicle/lampWork.ts';
import { LampList } from '../../job/lamps/LampList.tsx';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';
import { useBelow } from '../../ui/useBelow.ts';
import { Candidates } from './Candidates.tsx';
import { CapsuleCard } from './CapsuleCard.tsx';
import { ChargeCard } from './ChargeCard.tsx';
import classes from './Choose.module.css';
import { openLamps, proposeLeds } from './proposeLeds.ts';
import { RegionCautions } from './RegionCautions.tsx';

/** The LED or whole lamp for each lamp: what fits, what does not and why, and what each does to this circuit. */
export default function Choose() {
  const { job, shelf, edit, lamp, setConfiguration } = useDesk();
  const below = useBelow<HTMLDivElement>();
  const lamps = scopeLamps(job);
  const open = lamps.filter((each) => job.chosen[each.id] === undefined);
  const current = lamp ?? open[0] ?? lamps[0];
  const { proposal, what } = useMemo(() => {
    const { lamps: wanted, what: kind } = openLamps(job);
    return { proposal: proposeLeds(job, shelf, wanted), what: kind };
  }, [job, shelf]);
  const charge = current && circuitsOf(job.vehicle, current.id).find((circuit) => circuit.excite);
  return (
    <div className={classes.grid}>
      <LampList
        onChoose={below.show}
        title="LED for each lamp"
        current={current}
        fill={
          proposal.size === 0
            ? undefined
            : {
                label: what === 'turn' ? 'Fill turn lamps from the shelf' : 'Fill the others from the shelf',
                act: () => {
                  edit('Fill open lamps from the shelf', (draft) => {
                    // By what is open in the store, which a quick hand may have changed since this was drawn.
                    for (const [lampId, part] of proposal)
                      if (draft.chosen[lampId] === undefined) draft.chosen[lampId] = part.id;
                  });
                  setConfiguration('leds');
                },
              }
        }
        keep={
          open.length === 0
            ? undefined
            : {
                label: 'Keep the rest as filaments',
                act: () =>
                  edit('Keep the other filaments', (draft) => {
                    for (const { id } of scopeLamps(draft))
                      if (draft.chosen[id] === undefined) draft.chosen[id] = null;
                  }),
              }
        }
        note={(each) => functionsOf(job.vehicle, each.id)}
        value={(each) => {
          const id = job.chosen[each.id];
          if (id === undefined) return 'open';
          return id === null
            ? `keeps ${stockName(job, each)}`
            : (shelf.find((part) => part.id === id)?.code ?? id);
        }}
      />
      {current && (
        <div ref={below.ref} className={classes.column}>
          <Candidates key={current.id} lamp={current} />
          {charge && <ChargeCard circuit={charge} />}
          {current.end === 'dash' && !charge && (
            <Caution>
              Dash holders twist out a quarter turn; the flexible circuit behind them tears, so never pull.
              Mark the plus before the old bulb is out and test with a 9 V battery before the panel is closed.
              Colour films are taken off, or the colour is wrong. A dimmer may hardly dim an LED.
            </Caution>
          )}
          {baseRecord(current.base).capsule && <CapsuleCard key={`capsule-${current.id}`} lamp={current} />}
          <RegionCautions lamp={current} />
        </div>
      )}
    </div>
  );
}
