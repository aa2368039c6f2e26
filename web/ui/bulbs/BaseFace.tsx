import { BASE_DRAWINGS, reachMm } from '../../../core/catalogue/baseDrawings.ts';
import type { BaseId } from '../../../core/model/bulb.ts';
import classes from './BaseFace.module.css';

/** A base from its contact end, to scale: every base drawn with one `scale` can be compared by eye. */
export function BaseFace({ base, scale = 3 }: { base: BaseId; scale?: number }) {
  const drawing = BASE_DRAWINGS[base];
  const { outline, pins, tabs = [], contacts } = drawing;
  const reach = reachMm(drawing);
  const size = 2 * reach * scale;
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
      className={classes.face}
      aria-hidden="true"
    >
      {outline.kind === 'wedge' ? (
        <>
          {outline.skirt && (
            <rect
              x={-outline.skirt.wideMm / 2}
              y={-outline.skirt.thickMm / 2}
              width={outline.skirt.wideMm}
              height={outline.skirt.thickMm}
              rx="1.5"
            />
          )}
          <rect
            x={-outline.wideMm / 2}
            y={-outline.thickMm / 2}
            width={outline.wideMm}
            height={outline.thickMm}
            rx="0.6"
          />
        </>
      ) : (
        <circle r={outline.mm / 2} />
      )}
      {outline.kind === 'caps' && <circle r={outline.mm / 4} />}
      {pins?.degrees.map((degrees, index) => (
        <rect
          key={degrees}
          x={outline.kind === 'shell' ? outline.mm / 2 - 0.4 : 0}
          y={-1}
          width={(pins.acrossMm - (outline.kind === 'shell' ? outline.mm : 0)) / 2 + 0.4}
          height={2}
          transform={`rotate(${degrees})`}
          className={index > 0 && pins.lowerMm > 0 ? classes.lower : classes.pin}
        />
      ))}
      {tabs.map((degrees) => (
        <path
          key={degrees}
          d={`M${outline.kind === 'disc' ? outline.mm / 2 - 1 : 0} -1.6h2.4v3.2h-2.4`}
          transform={`rotate(${degrees})`}
        />
      ))}
      {contacts.map((contact) =>
        contact.wide === contact.high ? (
          <circle
            key={`${contact.x} ${contact.y}`}
            cx={contact.x}
            cy={contact.y}
            r={contact.wide / 2}
            className={classes.contact}
          />
        ) : (
          <rect
            key={`${contact.x} ${contact.y}`}
            x={contact.x - contact.wide / 2}
            y={contact.y - contact.high / 2}
            width={contact.wide}
            height={contact.high}
            className={classes.contact}
          />
        ),
      )}
    </svg>
  );
}
