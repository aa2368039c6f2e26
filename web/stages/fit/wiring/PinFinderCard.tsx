import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { useState } from 'react';
import type { PinReading, PinTest } from '../../../../core/model/evidence.ts';
import { pinReadingsOf } from '../../../../core/model/seen.ts';
import type { Connector } from '../../../../core/model/vehicle/connector.ts';
import { functionsAt, switchedName } from '../../../../core/wiring/connectors.ts';
import {
  type NextReading,
  type PinFinding,
  readWords,
  type Standing,
} from '../../../../core/wiring/pinFinder/finder.ts';
import { recordedConnector, writeMap } from '../../../../core/wiring/pinFinder/writeMap.ts';
import { SeenList } from '../../../job/measure/SeenList.tsx';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { useFoundPins } from '../../../workers/useFitting.ts';
import classes from './Wiring.module.css';

const HOW_WORDS: Record<PinTest, string> = {
  volts: 'meter on DC volts, black lead on bare earth',
  peak: 'meter on DC volts, peak-hold',
  'ohms-in': 'meter on ohms to earth, everything off, bulbs in',
  'ohms-out': 'meter on ohms to earth, everything off, the bulbs of this plug out',
  probe: 'fused probe on the loose lamp, its earth on the earth cavity',
};
const HOWS = Object.keys(HOW_WORDS) as PinTest[];

/** Finds which cavity is for what: asks for the reading that tells most, takes it, and says what it all comes to. */
export function PinFinderCard({ connector, recorded }: { connector: Connector; recorded: boolean }) {
  const { job, shelf, edit } = useDesk();
  const [standing, setStanding] = useState<Standing | null>(null);
  const readings = pinReadingsOf(job, connector.id);
  const { data, error } = useFoundPins(job, shelf, connector.id, standing);
  const [own, setOwn] = useState<NextReading | null>(null);
  const asked = own ?? data?.finding.next ?? null;

  const take = (read: Pick<PinReading, 'seen' | 'volts' | 'ohms' | 'lampId'>) => {
    if (!asked) return;
    const { cavity, circuitId, how } = asked;
    edit(`Reading: cavity ${cavity}, ${readWords(read)}`, (draft) => {
      const plug = recordedConnector(draft, connector.id);
      if (!plug?.cavities.some(({ id }) => id === cavity)) return;
      draft.evidence.push({
        kind: 'pin',
        id: `pin-${crypto.randomUUID()}`,
        at: new Date().toISOString(),
        connectorId: plug.id,
        cavity,
        circuitId,
        how,
        ...read,
      });
    });
    setStanding({ circuitId, how });
    setOwn(null);
  };
  const write = (finding: PinFinding) =>
    edit(`${connector.name}: what was measured`, (draft) => void writeMap(draft, connector.id, finding));

  return (
    <Card
      title="Find the pins by meter"
      aside={data && <span className="faint">{certainty(data.finding)}</span>}
    >
      {error && <p role="alert">Not worked out: {error.message}</p>}
      {!data && !error && <p className="faint">Working out what each cavity would show on this vehicle.</p>}
      {data && (
        <>
          <FoundTable finding={data.finding} />
          {data.finding.contradictions.map((each) => (
            <Caution key={each}>{each}</Caution>
          ))}
          {asked ? (
            <ReadingForm
              key={`${asked.cavity}-${asked.circuitId}-${asked.how}-${readings.length}`}
              connector={connector}
              asked={asked}
              suggested={own === null}
              wouldShow={own === null ? data.wouldShow : []}
              onChange={setOwn}
              onTake={take}
            />
          ) : (
            <p role="status">
              <b>Nothing more to measure:</b> every cavity is proved, the whole map is{' '}
              {Math.round(100 * data.finding.certainty)} % certain.
            </p>
          )}
          <div className={classes.actions}>
            <Button disabled={readings.length === 0} onClick={() => write(data.finding)}>
              Write it into the sheet
            </Button>
            {asked === null && (
              <Button
                variant="default"
                onClick={() =>
                  setOwn({
                    cavity: connector.cavities[0]?.id ?? '',
                    circuitId: null,
                    how: 'volts',
                    minutes: 0,
                    again: false,
                  })
                }
              >
                One reading more
              </Button>
            )}
          </div>
        </>
      )}
      {readings.length > 0 && recorded && (
        <SeenList seen={readings.toReversed()} what="a reading of a pin">
          {(each) => (
            <>
              Cavity {each.cavity}, {switchedName(job.vehicle, each.circuitId)}: <b>{readWords(each)}</b>
            </>
          )}
        </SeenList>
      )}
      <p className="faint">
        Back-probe rather than pierce; never probe a circuit of an airbag. Readings are compared with what
        this vehicle would show, computed, meter of 10 MΩ included.
      </p>
    </Card>
  );
}

function certainty(finding: PinFinding): string {
  const proved = finding.cavities.filter((cavity) => cavity.proved).length;
  return `${proved} of ${finding.cavities.length} proved by readings`;
}

/** What every cavity most likely is for, and how sure that is. */
function FoundTable({ finding }: { finding: PinFinding }) {
  return (
    <div className={classes.scroll} data-scrolls-sideways>
      <table>
        <thead>
          <tr>
            <th>Cavity</th>
            <th>Most likely</th>
            <th className="figure">Sure</th>
            <th>By readings</th>
          </tr>
        </thead>
        <tbody>
          {finding.cavities.map(({ cavity, likely, proved, readings, by }) => {
            const [best, second] = likely;
            const known = readings > 0 || (best?.share ?? 0) > 0.6;
            return (
              <tr key={cavity}>
                <td className={classes.cavity}>{cavity}</td>
                <td>
                  {known ? best?.group.name : 'not known yet'}
                  {known && !proved && (second?.share ?? 0) > 0.1 && (
                    <span className="faint"> or {second?.group.name}</span>
                  )}
                </td>
                <td className="figure">{known ? `${Math.round(100 * (best?.share ?? 0))} %` : ''}</td>
                <td>
                  {proved ? `proved by ${by}` : readings > 0 ? `unproved, ${readings} so far` : 'unproved'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

interface ReadingFormProps {
  connector: Connector;
  asked: NextReading;
  suggested: boolean;
  wouldShow: readonly { name: string; shows: string }[];
  onChange(next: NextReading): void;
  onTake(read: Pick<PinReading, 'seen' | 'volts' | 'ohms' | 'lampId'>): void;
}

/** One reading: what to measure, and what was seen in a tap or a figure. */
function ReadingForm({ connector, asked, suggested, wouldShow, onChange, onTake }: ReadingFormProps) {
  const { job } = useDesk();
  const [figure, setFigure] = useState<number | string>('');
  const ohms = asked.how === 'ohms-in' || asked.how === 'ohms-out';
  const volts = asked.how === 'volts' || asked.how === 'peak';
  const unit = ohms ? 'Ω' : 'V';
  const [least, most] = ohms ? [0, 1e8] : [-60, 60];
  const value = Number(figure);
  const usable = figure !== '' && Number.isFinite(value) && value >= least && value <= most;
  const circuits = [
    ...new Set(
      functionsAt(job.vehicle, connector).flatMap(({ use, about }) =>
        use.does === 'feed' ? use.circuitIds : use.does === 'relay' ? about : [],
      ),
    ),
  ];
  return (
    <div className={classes.reading}>
      <p className={classes.ask}>
        <span className="faint">
          {asked.again
            ? 'Once more, it does not fit the rest'
            : suggested
              ? 'This reading tells most now'
              : 'A reading of your own'}
        </span>
        <b>
          Cavity {asked.cavity}:{' '}
          {asked.circuitId === null
            ? asked.how === 'probe'
              ? 'plug off'
              : 'everything off'
            : `${switchedName(job.vehicle, asked.circuitId)} on`}
        </b>
        {HOW_WORDS[asked.how]}
      </p>
      <div className={classes.taps}>
        {volts && (
          <>
            <Button variant="default" onClick={() => onTake({ seen: 'bouncing' })}>
              Bounces
            </Button>
            <Button variant="default" onClick={() => onTake({ seen: 'nothing' })}>
              Nothing
            </Button>
          </>
        )}
        {ohms && (
          <Button variant="default" onClick={() => onTake({ seen: 'open' })}>
            Open
          </Button>
        )}
        {asked.how === 'probe' && (
          <>
            {(connector.at.kind === 'lamps' ? connector.at.lampIds : []).flatMap((lampId) => {
              const name = job.vehicle.lamps.find(({ id }) => id === lampId)?.name ?? lampId;
              return (['lit-bright', 'lit-dim'] as const).map((seen) => (
                <Button key={`${lampId}-${seen}`} variant="default" onClick={() => onTake({ seen, lampId })}>
                  {name} {seen === 'lit-bright' ? 'bright' : 'dim'}
                </Button>
              ));
            })}
            <Button variant="default" onClick={() => onTake({ seen: 'dark' })}>
              Dark
            </Button>
          </>
        )}
        {asked.how !== 'probe' && (
          <>
            <NumberInput
              size="md"
              aria-label={ohms ? 'Ohms shown' : 'Volts shown'}
              placeholder={ohms ? 'ohms' : 'volts, steady'}
              suffix={` ${unit}`}
              value={figure}
              onChange={setFigure}
              error={figure === '' || usable ? null : `${least} to ${most} ${unit}`}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && usable) onTake(figureRead(ohms, value));
              }}
            />
            <Button disabled={!usable} onClick={() => onTake(figureRead(ohms, value))}>
              Take it
            </Button>
          </>
        )}
      </div>
      {wouldShow.length > 0 && (
        <details className={classes.would}>
          <summary>What it would show</summary>
          <ul>
            {wouldShow.map(({ name, shows }) => (
              <li key={name}>
                {name}: {shows}
              </li>
            ))}
          </ul>
        </details>
      )}
      <details className={classes.would}>
        <summary>Measure something else</summary>
        <div className={classes.pick}>
          <NativeSelect
            label="Cavity"
            value={asked.cavity}
            data={connector.cavities.map(({ id }) => id)}
            onChange={(event) => onChange({ ...asked, cavity: event.currentTarget.value })}
          />
          <NativeSelect
            label="Switched on"
            value={asked.circuitId ?? ''}
            data={[
              { value: '', label: 'everything off' },
              ...circuits.map((id) => ({ value: id, label: switchedName(job.vehicle, id) })),
            ]}
            onChange={(event) => onChange({ ...asked, circuitId: event.currentTarget.value || null })}
          />
          <NativeSelect
            label="How"
            value={asked.how}
            data={HOWS.map((how) => ({ value: how, label: HOW_WORDS[how] }))}
            onChange={(event) => onChange({ ...asked, how: event.currentTarget.value as PinTest })}
          />
        </div>
      </details>
    </div>
  );
}

/** A figure as it is written down; so little that a dial would not move is nothing. */
function figureRead(ohms: boolean, value: number): Pick<PinReading, 'seen' | 'volts' | 'ohms'> {
  if (ohms) return { seen: 'steady', ohms: value };
  return { seen: Math.abs(value) < 0.5 ? 'nothing' : 'steady', volts: value };
}
