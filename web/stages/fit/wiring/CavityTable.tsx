import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { WIRE_COLOURS, WIRE_SIZES } from '../../../../core/catalogue/wires.ts';
import { wire } from '../../../../core/formatting/units.ts';
import { pinReadingsOf } from '../../../../core/model/seen.ts';
import type {
  Cavity,
  CavityUse,
  ColourCode,
  Connector,
  Joint,
  ProofMethod,
} from '../../../../core/model/vehicle/connector.ts';
import { setLampOnPlug } from '../../../../core/vehicle/edit/forgotten.ts';
import { forgetWhatIsGone } from '../../../../core/vehicle/edit/jobEdits.ts';
import { functionsAt, idOfUse } from '../../../../core/wiring/connectors.ts';
import { recordedConnector } from '../../../../core/wiring/pinFinder/writeMap.ts';
import { JOINT_WORDS } from '../../../../core/wiring/sheet/rows.ts';
import type { WiringSheet } from '../../../../core/wiring/sheet/sheet.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { SavedText } from '../../../ui/SavedText.tsx';
import { Scrolls } from '../../../ui/Scrolls.tsx';
import classes from './Wiring.module.css';

const COLOURS = WIRE_COLOURS.map(({ code, name }) => ({ value: code, label: `${code} ${name}` }));
const PROOFS: readonly { value: ProofMethod | ''; label: string }[] = [
  { value: '', label: 'not at all: measure' },
  { value: 'colour', label: 'by colour only: unproved' },
  { value: 'meter', label: 'by meter' },
  { value: 'probe', label: 'by fused probe' },
  { value: 'lead-out', label: 'by the filament’s lead-out' },
];
const MOST_CAVITIES = 16;

/** Every cavity of a plug as somebody found it: colour, tracer, size, what for, how that was proved, which joint. */
export function CavityTable({ connector, sheet }: { connector: Connector; sheet: WiringSheet }) {
  const { job, edit } = useDesk();
  const functions = functionsAt(job.vehicle, connector);
  const mine = connector.at.kind === 'lamps' ? connector.at.lampIds : [];
  const first = job.vehicle.lamps.find(({ id }) => id === mine[0]);
  const near = job.vehicle.lamps.filter(
    (lamp) => mine.includes(lamp.id) || (lamp.end === first?.end && lamp.side === first.side),
  );
  const read = new Set(pinReadingsOf(job, connector.id).map(({ cavity }) => cavity));
  const change = (label: string, act: (plug: Connector) => void, mergeKey?: string) =>
    edit(
      `${connector.name}: ${label}`,
      (draft) => {
        const plug = recordedConnector(draft, connector.id);
        if (plug) act(plug);
      },
      mergeKey ? { mergeKey: `${connector.id}-${mergeKey}` } : {},
    );
  const set = (id: string, label: string, act: (cavity: Cavity) => void) =>
    change(`cavity ${id}, ${label}`, (plug) => {
      const cavity = plug.cavities.find((each) => each.id === id);
      if (cavity) act(cavity);
    });
  const add = () =>
    change('one cavity more', (plug) => {
      const ids = new Set(plug.cavities.map(({ id }) => id));
      let number = plug.cavities.length + 1;
      while (ids.has(String(number))) number += 1;
      plug.cavities.push({ id: String(number) });
    });
  return (
    <Card
      title="Cavities"
      aside={
        <Button
          size="xs"
          variant="default"
          disabled={connector.cavities.length >= MOST_CAVITIES}
          onClick={add}
        >
          One cavity more
        </Button>
      }
    >
      <SavedText
        label="Housing, by which it is told from another of its shape"
        placeholder="grey, six cavities"
        value={connector.housing}
        maxLength={160}
        onSave={(housing) => change('housing', (plug) => void (plug.housing = housing), 'housing')}
      />
      {connector.at.kind === 'lamps' && (
        <fieldset className={classes.lamps}>
          <legend>Lamps on this plug</legend>
          {near.map((lamp) => (
            <Checkbox
              key={lamp.id}
              label={lamp.name}
              checked={mine.includes(lamp.id)}
              disabled={mine.length === 1 && mine.includes(lamp.id)}
              onChange={(event) => {
                const there = event.currentTarget.checked;
                edit(
                  `${connector.name}: ${there ? 'with' : 'without'} ${lamp.name.toLowerCase()}`,
                  (draft) => {
                    recordedConnector(draft, connector.id);
                    setLampOnPlug(draft.vehicle, connector.id, lamp.id, there);
                    forgetWhatIsGone(draft);
                  },
                );
              }}
            />
          ))}
        </fieldset>
      )}
      <Scrolls label="Cavities of the plug" className={classes.scroll}>
        <table className={classes.cavities}>
          <thead>
            <tr>
              <th>Cavity</th>
              <th>Colour</th>
              <th>Tracer</th>
              <th>Size</th>
              <th>For</th>
              <th>Proved</th>
              <th>Joint</th>
              <th>
                <span className="visually-hidden">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {connector.cavities.map((cavity, at) => (
              <CavityRow
                key={cavity.id}
                cavity={cavity}
                functions={functions.map(({ use, name }) => ({ use, name }))}
                hint={sheet.rows[at]?.hint ?? ''}
                set={(label, act) => set(cavity.id, label, act)}
                remove={
                  connector.cavities.length > 1 && !read.has(cavity.id)
                    ? () =>
                        change(`without cavity ${cavity.id}`, (plug) => {
                          plug.cavities = plug.cavities.filter(({ id }) => id !== cavity.id);
                        })
                    : null
                }
              />
            ))}
          </tbody>
        </table>
      </Scrolls>
      <p className="faint">
        Colours by IEC 60757. A colour is a hint; the meter decides, and “unproved” stands until it has.
      </p>
    </Card>
  );
}

interface CavityRowProps {
  cavity: Cavity;
  functions: readonly { use: CavityUse; name: string }[];
  hint: string;
  set(label: string, act: (cavity: Cavity) => void): void;
  remove: (() => void) | null;
}

function CavityRow({ cavity, functions, hint, set, remove }: CavityRowProps) {
  const { id, colour, areaMm2, use, provedBy, joint } = cavity;
  const named = `Cavity ${id}`;
  const code = (value: string) => (value === '' ? undefined : (value as ColourCode));
  return (
    <tr data-proved={provedBy !== undefined && provedBy !== 'colour'}>
      <td className={classes.cavity}>{id}</td>
      <td>
        <NativeSelect
          aria-label={`${named}: colour`}
          value={colour?.base ?? ''}
          data={[{ value: '', label: 'not seen' }, ...COLOURS]}
          onChange={(event) => {
            const base = code(event.currentTarget.value);
            set('colour', (each) => {
              if (base) each.colour = { ...each.colour, base };
              else delete each.colour;
            });
          }}
        />
        {hint && <span className={classes.hint}>{hint}</span>}
      </td>
      <td>
        <NativeSelect
          aria-label={`${named}: tracer`}
          value={colour?.tracer ?? ''}
          disabled={!colour}
          data={[{ value: '', label: 'none' }, ...COLOURS]}
          onChange={(event) => {
            const tracer = code(event.currentTarget.value);
            set('tracer', (each) => {
              if (!each.colour) return;
              each.colour = tracer ? { base: each.colour.base, tracer } : { base: each.colour.base };
            });
          }}
        />
      </td>
      <td>
        <NativeSelect
          aria-label={`${named}: size`}
          value={areaMm2 === undefined ? '' : String(areaMm2)}
          data={[
            { value: '', label: 'not known' },
            ...WIRE_SIZES.map(({ name, areaMm2: area }) => ({ value: String(area), label: name })),
            ...(areaMm2 !== undefined && !WIRE_SIZES.some((size) => size.areaMm2 === areaMm2)
              ? [{ value: String(areaMm2), label: wire(areaMm2) }]
              : []),
          ]}
          onChange={(event) => {
            const area = Number(event.currentTarget.value);
            set('size', (each) => {
              if (area > 0) each.areaMm2 = area;
              else delete each.areaMm2;
            });
          }}
        />
      </td>
      <td>
        <NativeSelect
          aria-label={`${named}: what for`}
          value={use ? idOfUse(use) : ''}
          data={[
            { value: '', label: 'nobody knows' },
            ...functions.map((each) => ({ value: idOfUse(each.use), label: each.name })),
          ]}
          onChange={(event) => {
            const chosen = functions.find((each) => idOfUse(each.use) === event.currentTarget.value)?.use;
            set('what for', (each) => {
              // Whatever was proved was proved of the other use.
              delete each.provedBy;
              if (chosen) each.use = structuredClone(chosen);
              else delete each.use;
            });
          }}
        />
      </td>
      <td>
        <NativeSelect
          aria-label={`${named}: how it was proved`}
          value={provedBy ?? ''}
          disabled={!use}
          data={[...PROOFS]}
          onChange={(event) => {
            const by = PROOFS.find(({ value }) => value === event.currentTarget.value)?.value;
            set('proof', (each) => {
              if (by) each.provedBy = by;
              else delete each.provedBy;
            });
          }}
        />
      </td>
      <td>
        <NativeSelect
          aria-label={`${named}: joint`}
          value={joint ?? ''}
          data={[
            { value: '', label: 'none' },
            ...Object.entries(JOINT_WORDS).map(([value, label]) => ({ value, label })),
          ]}
          onChange={(event) => {
            const made = event.currentTarget.value as Joint | '';
            set('joint', (each) => {
              if (made) each.joint = made;
              else delete each.joint;
            });
          }}
        />
      </td>
      <td>
        <Button
          size="xs"
          variant="subtle"
          disabled={!remove}
          onClick={() => remove?.()}
          aria-label={`Remove cavity ${id}`}
        >
          Remove
        </Button>
      </td>
    </tr>
  );
}
