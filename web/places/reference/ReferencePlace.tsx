// Longer than 300 lines: one table a kind of record, alike in shape.

import { TextInput } from '@mantine/core';
import { useDeferredValue } from 'react';
import { Navigate, NavLink, useParams, useSearchParams } from 'react-router';
import { BASES } from '../../../core/catalogue/bases.ts';
import { BULBS, filamentWatts, signalFilament } from '../../../core/catalogue/bulbs.ts';
import { COLOUR_RULES, REGION_RULES, regionName } from '../../../core/catalogue/regions.ts';
import { TERMINALS, TRAILER_SOCKETS } from '../../../core/catalogue/terminals.ts';
import { TRADE_WORDS } from '../../../core/catalogue/tradeWords.ts';
import {
  COLOUR_HABITS,
  COLOUR_SOURCE,
  HABIT_SOURCE,
  WIRE_COLOURS,
  WIRE_SIZES,
} from '../../../core/catalogue/wires.ts';
import { amps, volts, watts } from '../../../core/formatting/format.ts';
import { sourceWords } from '../../../core/formatting/source.ts';
import { length, lengthFigure, temperature } from '../../../core/formatting/units.ts';
import { findEntries, referenceEntries, SECTIONS, type Section } from '../../../core/reference/entries.ts';
import { workName } from '../../../core/vehicle/lampWork.ts';
import { bulbWatts } from '../../../core/words/bulbs.ts';
import { BaseFace } from '../../ui/bulbs/BaseFace.tsx';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import classes from './Reference.module.css';

const TITLES: Record<Section, string> = {
  bulbs: 'Bulbs',
  bases: 'Bases',
  terminals: 'Terminals',
  wire: 'Wire',
  regions: 'Regions',
  words: 'Words',
};
const ENTRIES = referenceEntries();

/** Bulbs, bases drawn, terminals, wire, rules by region: every record with where it comes from. */
export function Component() {
  const { section } = useParams();
  const [search, setSearch] = useSearchParams();
  const query = search.get('q') ?? '';
  const asked = useDeferredValue(query.trim());
  const known = SECTIONS.find((each) => each === section);
  if (!known) return <Navigate to="/reference/bulbs" replace />;
  const found =
    asked === ''
      ? null
      : new Set(
          findEntries(
            ENTRIES.filter((entry) => entry.section === known),
            asked,
            1000,
          ).map((entry) => entry.id),
        );
  const shown = (id: string) => found === null || found.has(id);
  return (
    <div className={classes.place}>
      <div className={classes.head}>
        <h1>Reference</h1>
        <nav aria-label="Parts of the reference" className={classes.sections}>
          {SECTIONS.map((each) => (
            <NavLink key={each} to={{ pathname: `/reference/${each}`, search: search.toString() }}>
              {TITLES[each]}
            </NavLink>
          ))}
        </nav>
        <TextInput
          aria-label={`Search ${TITLES[known].toLowerCase()}`}
          placeholder="Name, number, or what it does"
          value={query}
          onChange={(event) => {
            const q = event.currentTarget.value;
            setSearch(q === '' ? {} : { q }, { replace: true });
          }}
        />
      </div>
      {found?.size === 0 && (
        <p>Nothing here is called that. Try another part of the reference, or press / to look everywhere.</p>
      )}
      {known === 'bulbs' && <Bulbs shown={shown} />}
      {known === 'bases' && <Bases shown={shown} />}
      {known === 'terminals' && <Terminals shown={shown} />}
      {known === 'wire' && <Wire shown={shown} />}
      {known === 'regions' && <Regions shown={shown} />}
      {known === 'words' && <Words shown={shown} />}
    </div>
  );
}

function Words({ shown }: Shown) {
  return (
    <Card heading="h2" title="What people call it">
      <Scrolls label="What people call it" className={classes.wide}>
        <table>
          <thead>
            <tr>
              <th>Here</th>
              <th>Means</th>
              <th>Also called</th>
              <th>Source</th>
            </tr>
          </thead>
          <tbody>
            {TRADE_WORDS.filter(({ term }) => shown(term)).map(({ term, means, alsoCalled, source }) => (
              <tr key={term}>
                <td>
                  <b>{term}</b>
                </td>
                <td>{means}</td>
                <td>{alsoCalled.join(', ')}</td>
                <td className="faint">{sourceWords(source)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
    </Card>
  );
}

interface Shown {
  shown(id: string): boolean;
}

function Bulbs({ shown }: Shown) {
  return (
    <Card heading="h2" title="Filament bulbs">
      <Scrolls label="Filament bulbs" className={classes.wide}>
        <table>
          <thead>
            <tr>
              <th>Names</th>
              <th>Base</th>
              <th className="figure">System</th>
              <th className="figure">Bright filament</th>
              <th className="figure">Dim filament</th>
              <th className="figure">Light</th>
              <th className="figure">Length × glass</th>
              <th>Source</th>
            </tr>
          </thead>
          <tbody>
            {BULBS.filter((bulb) => shown(bulb.id)).map((bulb) => {
              const bright = signalFilament(bulb);
              const dim = bulb.filaments.find((filament) => filament.role === 'dim');
              return (
                <tr key={bulb.id}>
                  <td>
                    <b>{bulb.names[0]}</b> <span className="faint">{bulb.names.slice(1).join(', ')}</span>
                  </td>
                  <td>{bulb.base}</td>
                  <td className="figure">{bulb.systemVolts} V</td>
                  <td className="figure">
                    {amps(bright.amps)} at {volts(bright.testVolts)}, {bulbWatts(bulb)}
                    {bright.ampsOrigin === 'typical' ? ', typical' : ''}
                  </td>
                  <td className="figure">{dim ? `${amps(dim.amps)}, ${watts(filamentWatts(dim))}` : ''}</td>
                  <td className="figure">{Math.round(bright.lumens)} lm</td>
                  <td className="figure">
                    {lengthFigure(bulb.lengthMm)} × {length(bulb.glassMm)}
                  </td>
                  <td className="faint">{sourceWords(bulb.source)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Scrolls>
    </Card>
  );
}

function Bases({ shown }: Shown) {
  return (
    <Card heading="h2" title="Bases from their contact end, to one scale">
      <ul className={classes.bases}>
        {BASES.filter((base) => shown(base.id)).map((base) => (
          <li key={base.id}>
            <BaseFace base={base.id} scale={2.6} />
            <div>
              <b>{base.id}</b> {base.name}
              <div>{base.recognise}</div>
              <div className="faint">
                {base.release} {sourceWords(base.source)}.
              </div>
            </div>
          </li>
        ))}
      </ul>
      <p className="faint">
        Leading dimensions as in the names; pins, tabs and contacts typical of the kind. Not for making
        gauges.
      </p>
    </Card>
  );
}

function Terminals({ shown }: Shown) {
  const terminals = TERMINALS.filter((terminal) => shown(terminal.mark));
  return (
    <div className={classes.two}>
      <Card heading="h2" title="Relay and switch terminals">
        <Scrolls label="Relay and switch terminals" className={classes.wide}>
          <table>
            <tbody>
              {terminals.map((terminal) => (
                <tr key={terminal.mark}>
                  <td>
                    <b>{terminal.mark}</b> <span className="faint">{terminal.letters?.join(', ')}</span>
                  </td>
                  <td>{terminal.means}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
        <p className="faint">
          {TERMINALS[0] && sourceWords(TERMINALS[0].source)}. Letters after the number are met on relays. Two
          relays with the same pins can have supply and lamps swapped: compare marks, not shapes.
        </p>
      </Card>
      <div className={classes.column}>
        {TRAILER_SOCKETS.map((socket) => (
          <Card heading="h2" key={socket.name} title={`Trailer: ${socket.name.toLowerCase()}`}>
            <Scrolls label={`Trailer: ${socket.name.toLowerCase()}`} className={classes.wide}>
              <table>
                <tbody>
                  {socket.pins
                    .filter((pin) => shown(`${socket.name} ${pin.pin}`))
                    .map((pin) => (
                      <tr key={pin.pin}>
                        <td>
                          <b>{pin.pin}</b>
                        </td>
                        <td>{pin.means}</td>
                        <td>{pin.colour}</td>
                      </tr>
                    ))}
                </tbody>
              </table>
            </Scrolls>
            <p className="faint">{sourceWords(socket.source)}</p>
          </Card>
        ))}
      </div>
    </div>
  );
}

function Wire({ shown }: Shown) {
  return (
    <div className={classes.two}>
      <Card heading="h2" title="Sizes">
        <Scrolls label="Sizes" className={classes.wide}>
          <table>
            <thead>
              <tr>
                <th>Size</th>
                <th className="figure">Area</th>
                <th className="figure">A metre, at {temperature(20)}</th>
                <th>Used for (common practice)</th>
              </tr>
            </thead>
            <tbody>
              {WIRE_SIZES.filter((size) => shown(size.name)).map((size) => (
                <tr key={size.name}>
                  <td>
                    <b>{size.name}</b>
                  </td>
                  <td className="figure">{size.areaMm2.toFixed(2)} mm²</td>
                  <td className="figure">{size.milliohmsPerM.toFixed(1)} mΩ</td>
                  <td>{size.use}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
        <p className="faint">Computed: copper 1/58 Ω·mm²/m (IEC 60028), gauges by ASTM B258, from memory.</p>
      </Card>
      <Card heading="h2" title="Colours">
        <Scrolls label="Colours" className={classes.wide}>
          <table>
            <tbody>
              {WIRE_COLOURS.filter((colour) => shown(colour.code)).map((colour) => (
                <tr key={colour.code}>
                  <td>
                    <b>{colour.code}</b>
                  </td>
                  <td>{colour.name}</td>
                  <td className="faint">
                    {COLOUR_HABITS.filter((habit) => habit.colour === colour.name)
                      .map((habit) => `${habit.means} on ${habit.where}`)
                      .join('; ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
        <p className="faint">Codes: {sourceWords(COLOUR_SOURCE)}.</p>
        <Caution>What colours mean is {sourceWords(HABIT_SOURCE)}.</Caution>
      </Card>
    </div>
  );
}

function Regions({ shown }: Shown) {
  return (
    <div className={classes.column}>
      <div className={classes.two}>
        {(['UN', 'US'] as const).map((region) => (
          <Card heading="h2" key={region} title={`${regionName(region)}: colours`}>
            <Scrolls label={regionName(region)} className={classes.wide}>
              <table>
                <tbody>
                  {COLOUR_RULES.filter(
                    (rule) =>
                      rule.region === region && shown(`${rule.region} ${rule.does} ${rule.end ?? ''}`.trim()),
                  ).map((rule) => (
                    <tr key={`${rule.does} ${rule.end ?? ''}`}>
                      <td>
                        {workName(rule.does)}
                        {rule.end ? `, ${rule.end}` : ''}
                      </td>
                      <td>{rule.colours.join(', ')}</td>
                      <td className="faint">{sourceWords(rule.source)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Scrolls>
          </Card>
        ))}
      </div>
      <Card heading="h2" title="Rates, warnings, approvals">
        <Scrolls label="Rates, warnings, approvals" className={classes.wide}>
          <table>
            <tbody>
              {REGION_RULES.filter((rule) => shown(`${rule.region} ${rule.topic}`)).map((rule) => (
                <tr key={`${rule.region} ${rule.topic}`}>
                  <td>
                    <b>{rule.topic}</b>
                  </td>
                  <td>{regionName(rule.region)}</td>
                  <td>{rule.text}</td>
                  <td className="faint">{sourceWords(rule.source)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
      </Card>
      <Caution>
        Cautions, never legal advice: every record is from memory until somebody has verified it. Local code
        and licensed practice decide.
      </Caution>
    </div>
  );
}
