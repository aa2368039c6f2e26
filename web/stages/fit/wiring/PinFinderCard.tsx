import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { PinReading } from '../../../../core/model/evidence.ts';
import { pinReadingsOf } from '../../../../core/model/seen.ts';
import type { Connector } from '../../../../core/model/vehicle/connector.ts';
import { signed } from '../../../../core/record/tell.ts';
import { switchedName } from '../../../../core/wiring/connectors.ts';
import { type Read, readWords } from '../../../../core/wiring/pinFinder/agreement.ts';
import type { NextReading, PinFinding, Standing } from '../../../../core/wiring/pinFinder/finder.ts';
import { recordedConnector, writeMap } from '../../../../core/wiring/pinFinder/writeMap.ts';
import { SeenList } from '../../../job/measure/SeenList.tsx';
import { useDesk } from '../../../job/workspace.ts';
import { teller } from '../../../store/device.ts';
import { writer } from '../../../store/writer.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { Scrolls } from '../../../ui/Scrolls.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { useFoundPins } from '../../../workers/useFitting.ts';
import { ReadingForm } from './ReadingForm.tsx';
import classes from './Wiring.module.css';

/** Finds which cavity is for what: asks for the reading that tells most, takes it, and says what it all comes to. */
export function PinFinderCard({ connector, recorded }: { connector: Connector; recorded: boolean }) {
  const { job, shelf, edit } = useDesk();
  const [standing, setStanding] = useState<Standing | null>(null);
  const readings = pinReadingsOf(job, connector.id);
  const { data, error, isPlaceholderData } = useFoundPins(job, shelf, connector.id, standing);
  const [lookingUp, setLookingUp] = useState(false);
  const [own, setOwn] = useState<NextReading | null>(null);
  const asked = own ?? data?.finding.next ?? null;
  // Until a reading is on record the form still asks for it: what is typed into it then would be lost.
  const [taking, setTaking] = useState(false);
  const count = readings.length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is on record as soon as there is another
  useEffect(() => setTaking(false), [count]);
  const counting = isPlaceholderData || taking;

  const take = (read: Read) => {
    // What is asked next is not known until the last one is counted in.
    if (!asked || counting) return;
    const { cavity, circuitId, how } = asked;
    const by = teller();
    edit(`Reading: cavity ${cavity}, ${readWords(read, job.vehicle)}`, (draft) => {
      const plug = recordedConnector(draft, connector.id);
      if (!plug?.cavities.some(({ id }) => id === cavity)) return;
      const method = how === 'probe' ? ('probe' as const) : ('meter' as const);
      const said = { kind: 'pin' as const, connectorId: plug.id, cavity, circuitId, how, method, ...read };
      draft.evidence.push(signed<PinReading>(draft, said, by));
    });
    setTaking(true);
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
              key={`${asked.cavity}-${asked.circuitId}-${asked.how}-${count}`}
              connector={connector}
              asked={asked}
              counting={counting}
              suggested={own === null}
              wouldShow={own === null ? data.wouldShow : []}
              lookingUp={lookingUp}
              onLookUp={setLookingUp}
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
            <Button
              variant="default"
              onClick={() => writer.undo(job.id).catch((trouble: Error) => tellTrouble(trouble))}
            >
              Undo
            </Button>
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
              Cavity {each.cavity}, {switchedName(job.vehicle, each.circuitId)}:{' '}
              <b>{readWords(each, job.vehicle)}</b>
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
  return `${proved} of ${finding.cavities.length} proved`;
}

/** What every cavity most likely is for, and how sure that is. */
function FoundTable({ finding }: { finding: PinFinding }) {
  return (
    <Scrolls label="What each cavity is for" className={classes.scroll}>
      <table>
        <thead>
          <tr>
            <th>Cavity</th>
            <th>Most likely</th>
            <th className="figure">Sure</th>
            <th>How it is known</th>
          </tr>
        </thead>
        <tbody>
          {finding.cavities.map(({ cavity, likely, proved, readings, by, hint }) => {
            const [best, second] = likely;
            const known = proved || readings > 0 || (best?.share ?? 0) > 0.6;
            return (
              <tr key={cavity}>
                <td className={classes.cavity}>{cavity}</td>
                <td>
                  {known ? best?.group.name : 'not known yet'}
                  {known && !proved && (second?.share ?? 0) > 0.1 && (
                    <span className="faint"> or {second?.group.name}</span>
                  )}
                  {hint && !proved && <span className={classes.hint}>{hint}</span>}
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
    </Scrolls>
  );
}
