import { create } from 'qrcode';
import { inARow, ohms, watts } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { circuitById, lampById } from '../model/vehicle/lookUp.ts';
import { ledOf, networksOf } from '../simulation/fitment.ts';

/** Sizes of label there are, mm. */
export const LABEL_SIZES = [
  { id: '50x30', widthMm: 50, heightMm: 30 },
  { id: '70x40', widthMm: 70, heightMm: 40 },
] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];

/** A code is read by a phone down to this size of a module, mm. */
export const LEAST_MODULE_MM = 0.4;
const ENOUGH_MODULE_MM = 0.45;
/** Modules of white a code wants all round (ISO/IEC 18004, from memory). */
const QUIET = 4;
const MARGIN_MM = 1.5;
const TYPE_MM = 2;
const LINE_MM = 2.5;
/** Width of a letter of a narrow sans-serif, share of its size: generous, so that no line runs into the code. */
const LETTER = 0.52;

/** A label as it is drawn: what is on it, in millimetres from its upper left corner. */
export interface Label {
  size: LabelSize;
  lines: readonly { xMm: number; yMm: number; sizeMm: number; text: string; bold: boolean }[];
  /** the code, its dark modules as squares; null where nothing fits */
  code: {
    xMm: number;
    yMm: number;
    moduleMm: number;
    modules: number;
    isDark(row: number, column: number): boolean;
  } | null;
  /** what the code says */
  codeText: string;
  /** lines that have no room, in words or in the code */
  notInWords: readonly string[];
  notInCode: readonly string[];
}

/** What of a vehicle is not stock any more, a line each, what matters most to the next who opens it first. */
export function labelLines(job: Job, shelf: Shelf): string[] {
  const { vehicle, vehicleCures, handOver } = job;
  const codeOf = (id: string) => shelf.find((part) => part.id === id)?.code ?? id;
  const nameOf = (id: string) => lampById(vehicle, id).name.toLowerCase();
  const settings = vehicleCures.flatMap((cure) =>
    cure.kind === 'controller-setting' ? [circuitById(vehicle, cure.circuitId).name.toLowerCase()] : [],
  );
  const leds = new Map<string, string[]>();
  for (const { id } of vehicle.lamps) {
    const led = ledOf(job, shelf, id);
    if (led) leds.set(led.code, [...(leds.get(led.code) ?? []), nameOf(id)]);
  }
  const loads = new Map<string, string[]>();
  for (const { lampId, pieces } of networksOf(job)) {
    const what = pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' + ');
    loads.set(what, [...(loads.get(what) ?? []), nameOf(lampId)]);
  }
  return [
    ...vehicleCures.flatMap((cure) => {
      if (cure.kind === 'flasher-relay') return [`Flasher relay ${codeOf(cure.partId)}: no lamp warning`];
      if (cure.kind === 'decoder') return [`Decoder ${codeOf(cure.partId)}: ${nameOf(cure.lampId)}`];
      if (cure.kind === 'pilot-diodes') return ['Diodes at the turn pilot'];
      if (cure.kind === 'bleed-resistor')
        return [
          `Bleed resistor ${ohms(cure.piece.ohms)}: ${circuitById(vehicle, cure.circuitId).name.toLowerCase()}`,
        ];
      return [];
    }),
    ...(settings.length > 0 ? [`Controller set to LED: ${inARow(settings)}`] : []),
    ...[...loads].map(([what, places]) => `Resistor ${what}, hot: ${inARow(places)}`),
    ...[...leds].map(([code, places]) => `LED ${code}: ${inARow(places)}`),
    ...(handOver.stockBulbsKeptAt ? [`Stock bulbs: ${handOver.stockBulbsKeptAt}`] : []),
  ];
}

/**
 * A label for the fuse box or the relay's carrier, in true size: as many lines as have room, and a code that holds them in
 * plain text. Its modules are never smaller than a phone can read; what does not fit is named.
 *
 * @param title of the label: the vehicle, and the day
 */
export function labelOf(job: Job, shelf: Shelf, title: string, size: LabelSize): Label {
  const all = labelLines(job, shelf);
  const room = size.heightMm - 2 * MARGIN_MM;
  const code = largestCode([title, ...all], room);
  const codeMm = code.qr ? code.moduleMm * (code.qr.modules.size + 2 * QUIET) : 0;
  const perLine = Math.floor((size.widthMm - codeMm - 2 * MARGIN_MM) / (TYPE_MM * LETTER));
  const rows = Math.floor(room / LINE_MM);
  const lines: { text: string; bold: boolean }[] = wrapped(title, perLine).map((text) => ({
    text,
    bold: true,
  }));
  const notInWords: string[] = [];
  for (const line of all) {
    const more = wrapped(line, perLine);
    if (notInWords.length > 0 || lines.length + more.length > rows) notInWords.push(line);
    else lines.push(...more.map((text) => ({ text, bold: false })));
  }
  const { qr } = code;
  return {
    size,
    lines: lines.slice(0, rows).map(({ text, bold }, index) => ({
      xMm: MARGIN_MM,
      yMm: MARGIN_MM + TYPE_MM + index * LINE_MM,
      sizeMm: TYPE_MM,
      text,
      bold,
    })),
    code: qr
      ? {
          xMm: size.widthMm - MARGIN_MM - codeMm + QUIET * code.moduleMm,
          yMm: (size.heightMm - codeMm) / 2 + QUIET * code.moduleMm,
          moduleMm: code.moduleMm,
          modules: qr.modules.size,
          isDark: (row, column) => Boolean(qr.modules.get(row, column)),
        }
      : null,
    codeText: code.text,
    notInWords,
    notInCode: all.slice(code.lines - 1),
  };
}

/** The code of as many lines as fit a square, with the most correction there is room for. */
function largestCode(lines: readonly string[], roomMm: number) {
  for (let count = lines.length; count > 0; count -= 1) {
    const text = lines.slice(0, count).join('\n');
    for (const errorCorrectionLevel of ['Q', 'M', 'L'] as const) {
      try {
        const qr = create(text, { errorCorrectionLevel });
        // No larger than it need be: what is left is for words.
        const moduleMm = Math.min(ENOUGH_MODULE_MM, roomMm / (qr.modules.size + 2 * QUIET));
        if (moduleMm >= LEAST_MODULE_MM) return { qr, moduleMm, text, lines: count };
      } catch {
        // More than the largest code holds: fewer lines are tried.
      }
    }
  }
  return { qr: null, moduleMm: 0, text: '', lines: 1 };
}

/** A text in lines of so many letters, broken between words where that can be. */
function wrapped(text: string, most: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (longer.length <= most) line = longer;
    else {
      if (line !== '') lines.push(line);
      line = word;
      for (; line.length > most; line = line.slice(most)) lines.push(line.slice(0, most));
    }
  }
  return [...lines, line];
}
