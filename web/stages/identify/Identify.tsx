import { mayBeCk } from '../../../core/catalogue/bases.ts';
import { jobLamps } from '../../../core/model/scope.ts';
import { stockName } from '../../../core/simulation/fitment.ts';
import { LampList } from '../../job/lamps/LampList.tsx';
import { Photos } from '../../job/photos/Photos.tsx';
import { useDesk } from '../../job/workspace.ts';
import { Gradually } from '../../ui/Gradually.tsx';
import { useBelow } from '../../ui/useBelow.ts';
import { AccessCard } from './AccessCard.tsx';
import { EarthCheckCard } from './EarthCheckCard.tsx';
import { Finder } from './Finder.tsx';
import classes from './Identify.module.css';
import { OtherOpenings } from './opening/OtherOpenings.tsx';
import { WorksLedCard } from './WorksLedCard.tsx';

/** Which bulb is in each lamp, how its socket is wired, how it is reached, and what room is behind it. */
export default function Identify() {
  const { job, edit, lamp } = useDesk();
  const below = useBelow<HTMLDivElement>();
  const lamps = jobLamps(job);
  const withBulbs = lamps.filter(({ works }) => !works);
  const open = withBulbs.filter(({ id }) => !job.identified[id]);
  const current = lamp ?? open[0] ?? lamps[0];
  return (
    <div className={classes.grid}>
      <LampList
        onChoose={below.show}
        title="Bulb in each lamp"
        current={current}
        fill={
          open.length === 0
            ? undefined
            : {
                label: open.length === withBulbs.length ? 'All as listed' : 'The others as listed',
                act: () =>
                  edit('Bulbs as the vehicle left the works', (draft) => {
                    for (const each of jobLamps(draft))
                      if (!each.works) draft.identified[each.id] ??= each.stockBulb;
                  }),
              }
        }
        value={(each) => stockName(job, each)}
        note={(each) =>
          each.works
            ? each.works.amps === null
              ? 'not measured'
              : 'measured'
            : job.identified[each.id] === undefined
              ? 'as listed, not seen yet'
              : 'seen'
        }
      />
      {current && (
        <div ref={below.ref} className={classes.column}>
          <Gradually>
            {!current.works && <Finder key={current.id} lamp={current} />}
            <WorksLedCard key={`works-${current.id}`} lamp={current} />
            {mayBeCk(job.vehicle.region, current.base) && (
              <EarthCheckCard key={`earth-${current.id}`} lamp={current} />
            )}
            <AccessCard key={`access-${current.id}`} lamp={current} />
            <OtherOpenings />
            <Photos />
          </Gradually>
        </div>
      )}
    </div>
  );
}
