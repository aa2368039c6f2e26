import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { TurnFunction } from '../../../core/model/cures.ts';
import { ratesOf } from '../../../core/model/seen.ts';
import { turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { FUNCTION_WORDS, turnFunctionsOf } from '../../../core/record/observations.ts';
import { troubleOf, useInstruments } from '../../job/instruments/instruments.ts';
import type { StandIn } from '../../job/instruments/standIn.ts';
import { RateRecorder, RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { saveFile } from '../../ui/saveTextFile.ts';
import classes from './Bench.module.css';

/** The flash measured as in Prove, and recordings of the stand-in to measure it by. */
export default function Recordings() {
  const { job, configuration } = useDesk();
  const { standIn } = useInstruments();
  const functions = turnFunctionsOf(job.vehicle);
  const [chosen, setChosen] = useState<TurnFunction>(functions[0] ?? 'turn-left');
  const seen = ratesOf(job).toReversed();
  if (turnCircuits(job.vehicle).length === 0)
    return <p>Nothing of this vehicle flashes: there is no rate to measure.</p>;
  return (
    <div className={classes.stack}>
      {standIn && <StandInRecordings standIn={standIn} />}
      <Card title="Flash meter">
        <SegmentedControl
          fullWidth
          aria-label="What flashes"
          value={chosen}
          onChange={(next) => setChosen(next as TurnFunction)}
          data={functions.map((each) => ({ value: each, label: FUNCTION_WORDS[each] }))}
        />
        <RateRecorder
          key={`${chosen} ${configuration}`}
          configuration={configuration}
          turnFunction={chosen}
        />
        {seen.length > 0 && (
          <SeenList seen={seen} what="a flash rate">
            {(each) => (
              <>
                {FUNCTION_WORDS[each.function]}: <RecordedRate observation={each} />
              </>
            )}
          </SeenList>
        )}
      </Card>
    </div>
  );
}

function StandInRecordings({ standIn }: { standIn: StandIn }) {
  const { job } = useDesk();
  const [lampId, setLampId] = useState(job.vehicle.lamps[0]?.id ?? '');
  const [framesPerSecond, setFramesPerSecond] = useState('30');
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = async (take: () => Promise<File>) => {
    setTrouble(null);
    try {
      saveFile(await take());
    } catch (error) {
      setTrouble(troubleOf(error));
    }
  };
  return (
    <Card title="Recordings of the stand-in">
      <p className="faint">
        Of the vehicle as it stands beside it: switch a turn lamp on first. Open them in the flash meter
        below, or anywhere else.
      </p>
      <div className={classes.row}>
        <Button variant="default" onClick={() => save(() => standIn.clicks())}>
          Save the relay’s clicks (WAV)
        </Button>
      </div>
      <div className={classes.row}>
        <NativeSelect
          aria-label="Lamp that is filmed"
          value={lampId}
          onChange={(event) => setLampId(event.currentTarget.value)}
          data={job.vehicle.lamps.map(({ id, name }) => ({ value: id, label: name }))}
        />
        <NativeSelect
          aria-label="Frames a second"
          value={framesPerSecond}
          onChange={(event) => setFramesPerSecond(event.currentTarget.value)}
          data={['24', '25', '30', '60'].map((each) => ({ value: each, label: `${each} frames a second` }))}
        />
        <Button variant="default" onClick={() => save(() => standIn.film(lampId, Number(framesPerSecond)))}>
          Save a film of it (Y4M)
        </Button>
      </div>
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
    </Card>
  );
}
