import { capital } from '../../../core/formatting/format.ts';
import { sourceWords } from '../../../core/formatting/source.ts';
import { flashRule } from '../../../core/judge/flashRule.ts';
import type { HandOverPage } from '../../../core/record/handOver.ts';
import { proofResult, watcherLeft } from '../../../core/record/observations.ts';
import { LATER_WORDS } from '../../../core/words/past.ts';
import { RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { useDesk } from '../../job/workspace.ts';
import { shortDate } from '../../ui/dates.ts';
import classes from './OwnersPage.module.css';

/** The page that is printed: on paper it stands alone. */
export function OwnersPage({ page }: { page: HandOverPage }) {
  const { job } = useDesk();
  const { vehicle, handOver } = job;
  const rule = flashRule(vehicle.region);
  return (
    <article className={classes.page} aria-label="Page for the owner and the file">
      <h2>{job.title}</h2>
      <p className={classes.sub}>
        {vehicle.name}, {vehicle.year}, {vehicle.systemVolts} V. {page.summary}
      </p>
      {page.readings.length > 0 && <Rates page={page} />}
      {page.circuits.length > 0 && (
        <>
          <h3>Seen after the work</h3>
          <table>
            <tbody>
              {page.circuits.map(({ circuitId, name, seen }) => (
                <tr key={circuitId}>
                  <td>{name}</td>
                  <td>{seen ?? 'not looked at'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <h3>What is fitted</h3>
      <table>
        <thead>
          <tr>
            <th>Lamp</th>
            <th>Was</th>
            <th>Now</th>
            <th>Resistor across it</th>
          </tr>
        </thead>
        <tbody>
          {page.lamps.map((lamp) => (
            <tr key={lamp.lampId}>
              <td>{lamp.name}</td>
              <td>{lamp.before}</td>
              <td>{lamp.after}</td>
              <td>{lamp.resistors || 'none'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <dl className={classes.facts}>
        <dt>Stock bulbs kept</dt>
        <dd>{handOver.stockBulbsKeptAt || 'not written down'}</dd>
        <dt>Warranty until</dt>
        <dd>{handOver.warrantyUntil ? shortDate(`${handOver.warrantyUntil}T12:00`) : 'not given'}</dd>
        {handOver.note && (
          <>
            <dt>Note</dt>
            <dd>{handOver.note}</dd>
          </>
        )}
      </dl>
      {page.towing.length > 0 && <p>Proved behind {page.towing.join(', ')}.</p>}
      {page.repaired.length > 0 && (
        <>
          <h3>Repaired with it</h3>
          <ul className={classes.cautions}>
            {page.repaired.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      {page.later.length > 0 && (
        <>
          <h3>Left, and wished for</h3>
          <ul className={classes.cautions}>
            {page.later.map(({ id, kind, text }) => (
              <li key={id}>
                {capital(LATER_WORDS[kind])}: {text}
              </li>
            ))}
          </ul>
        </>
      )}
      {page.unresolved.length > 0 && (
        <>
          <h3>Accepted, unresolved</h3>
          <ul className={classes.cautions}>
            {page.unresolved.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      {page.unproved.length > 0 && (
        <>
          <h3>Wires not proved</h3>
          <ul className={classes.cautions}>
            {page.unproved.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      {page.cautions.length > 0 && (
        <>
          <h3>Please mind</h3>
          <ul className={classes.cautions}>
            {page.cautions.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      <p className={classes.source}>
        {page.readings.length > 0 ? `${sourceWords(rule.source)}. ` : ''}Vumble is a planning aid.
      </p>
    </article>
  );
}

function Rates({ page }: { page: HandOverPage }) {
  const { job } = useDesk();
  const rule = flashRule(job.vehicle.region);
  return (
    <>
      <h3>Flash rate before and after</h3>
      <table>
        <thead>
          <tr>
            <th>Function</th>
            <th>Before</th>
            <th>After</th>
            <th>
              Allowed {rule.lowest} to {rule.highest}
            </th>
          </tr>
        </thead>
        <tbody>
          {page.readings.map(({ function: key, name, before, after }) => (
            <tr key={key}>
              <td>{name}</td>
              <td>{before ? <RecordedRate observation={before} /> : 'not measured'}</td>
              <td>{after ? <RecordedRate observation={after} /> : 'not measured'}</td>
              <td>{after ? RESULTS[proofResult(rule, after, watcherLeft(job))] : 'open'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

const RESULTS = { passed: 'within', failed: 'outside', 'not-sure': 'not sure' } as const;
