import { Button, NativeSelect } from '@mantine/core';
import { useMemo } from 'react';
import { wire } from '../../../../core/formatting/units.ts';
import type { WholeLampPart } from '../../../../core/model/part.ts';
import { connectorsOf } from '../../../../core/wiring/connectors.ts';
import { plugSwapSheet } from '../../../../core/wiring/sheet/plugSwap.ts';
import { type WiringSheet, wiringSheet } from '../../../../core/wiring/sheet/sheet.ts';
import { sheetSvg } from '../../../../core/wiring/sheet/svg.ts';
import { pinChangeWords } from '../../../../core/words/pinMap.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Scrolls } from '../../../ui/Scrolls.tsx';
import { saveTextFile } from '../../../ui/saveTextFile.ts';
import { useSheetLayout, useSheetOnScreen } from '../../../workers/useFitting.ts';
import { CavityTable } from './CavityTable.tsx';
import { PinFinderCard } from './PinFinderCard.tsx';
import { SheetPicture } from './SheetPicture.tsx';
import classes from './Wiring.module.css';

/** The wires of one plug: drawn and in a table, found by meter, old plug against new where the lamp is swapped whole. */
export function WiringView({ connectorId, onChoose }: { connectorId: string; onChoose(id: string): void }) {
  const { job, shelf } = useDesk();
  const known = useMemo(() => connectorsOf(job.vehicle), [job.vehicle]);
  const current = known.find(({ connector }) => connector.id === connectorId) ?? known[0];
  const sheet = useMemo(
    () => (current ? wiringSheet(job, shelf, current.connector.id) : null),
    [job, shelf, current],
  );
  if (!current || !sheet) return null;
  const { connector } = current;
  return (
    <div className={classes.view}>
      <NativeSelect
        className={classes.choose}
        label="Plug"
        size="md"
        value={connector.id}
        data={known.map(({ connector: each, recorded }) => ({
          value: each.id,
          label: recorded ? each.name : `${each.name} (nobody has looked)`,
        }))}
        onChange={(event) => onChoose(event.currentTarget.value)}
      />
      <SheetCard sheet={sheet} />
      <div className={classes.onScreen}>
        <PinFinderCard key={`pins-${connector.id}`} connector={connector} recorded={current.recorded} />
        <CavityTable key={`table-${connector.id}`} connector={connector} sheet={sheet} />
      </div>
      <SwapCard lampIds={connector.at.kind === 'lamps' ? connector.at.lampIds : []} />
    </div>
  );
}

function SheetCard({ sheet }: { sheet: WiringSheet }) {
  const { job } = useDesk();
  // A file and paper have the room that a phone has not.
  const { data: layout, error } = useSheetLayout(sheet);
  const { data: drawn } = useSheetOnScreen(sheet);
  return (
    <Card
      title={sheet.title}
      aside={
        layout && (
          <span className={classes.save}>
            <Button
              size="xs"
              variant="default"
              onClick={() =>
                saveTextFile(
                  `${job.id}-${sheet.connectorId}.svg`,
                  sheetSvg(layout, sheet.title),
                  'image/svg+xml',
                )
              }
            >
              Save as SVG
            </Button>
            <Button size="xs" variant="default" onClick={() => window.print()}>
              Print
            </Button>
          </span>
        )
      }
    >
      {error && (
        <p role="alert">The sheet could not be drawn: {error.message}. The table below says the same.</p>
      )}
      {drawn ? (
        <SheetPicture layout={drawn} title={sheet.title} />
      ) : (
        !error && <p className="faint">Drawing it.</p>
      )}
      <PaperRows sheet={sheet} />
      {sheet.notes.map((note) => (
        <p key={note} className={classes.note}>
          {note}
        </p>
      ))}
    </Card>
  );
}

/** The cavities as paper has them: on screen they are fields. */
function PaperRows({ sheet }: { sheet: WiringSheet }) {
  return (
    <table className={classes.paper}>
      <thead>
        <tr>
          <th>Cavity</th>
          <th>Wire</th>
          <th>Size</th>
          <th>For</th>
          <th>How it is known</th>
          <th>Fuse, switch</th>
          <th>Joint</th>
        </tr>
      </thead>
      <tbody>
        {sheet.rows.map((row, at) => (
          <tr key={at}>
            <td>{row.cavity}</td>
            <td>{row.letters || '?'}</td>
            <td>{row.areaMm2 ? wire(row.areaMm2) : ''}</td>
            <td>{row.does}</td>
            <td>{row.proof}</td>
            <td>{row.fuse}</td>
            <td>{row.joint}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Where a whole lamp goes in: the old plug against its own. */
function SwapCard({ lampIds }: { lampIds: readonly string[] }) {
  const { job, shelf } = useDesk();
  const lamp = job.vehicle.lamps.find(({ id }) => lampIds.includes(id) && job.chosen[id]);
  const part = shelf.find(
    (each): each is WholeLampPart => each.kind === 'whole-lamp' && each.id === job.chosen[lamp?.id ?? ''],
  );
  const swap = useMemo(() => {
    if (!lamp || !part) return null;
    const { sheet, map } = plugSwapSheet(job.vehicle, lamp, part);
    return { sheet: { ...sheet, notes: pinChangeWords(job.vehicle, map) } };
  }, [job.vehicle, lamp, part]);
  if (!swap) return null;
  return (
    <>
      <SheetCard sheet={swap.sheet} />
      <Card title="Each cavity of the new plug">
        <Scrolls label="Old plug against new" className={classes.scroll}>
          <table>
            <thead>
              <tr>
                <th>New</th>
                <th>For</th>
                <th>Wire</th>
                <th>From</th>
                <th>Change</th>
              </tr>
            </thead>
            <tbody>
              {swap.sheet.rows.map((row) => (
                <tr key={row.cavity}>
                  <td>{row.cavity}</td>
                  <td>{row.does}</td>
                  <td>{row.letters || 'none'}</td>
                  <td>{row.fuse || 'nothing'}</td>
                  <td>{row.joint}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
      </Card>
    </>
  );
}
