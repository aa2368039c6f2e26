import { z } from 'zod';
import { KitSheet } from '../model/kit.ts';
import { KitPart } from '../model/part.ts';
import { readKitSheetCsv } from './readKitSheet.ts';

export const KIT_FILE_FORMAT = 'vumble-kit';
export const KIT_FILE_VERSION = 1;

/** A kit as a file of its own: the part with its sheet. */
export const KitFile = z.strictObject({
  format: z.literal(KIT_FILE_FORMAT),
  version: z.literal(KIT_FILE_VERSION),
  kit: KitPart,
});

/** A sheet read from a file, and of a kit file the part it is of. */
export interface ReadKit {
  sheet: KitSheet | null;
  kit: KitPart | null;
  problems: readonly { line: number; text: string }[];
}

/** A kit as text: JSON, two spaces a level. */
export function writeKitFile(kit: KitPart): string {
  return `${JSON.stringify({ format: KIT_FILE_FORMAT, version: KIT_FILE_VERSION, kit }, null, 2)}\n`;
}

/** Reads a kit file or a sheet's table, whichever it is, as a stranger may have written it. */
export function readKit(text: string): ReadKit {
  const start = text.replace(/^\uFEFF/, '').trimStart();
  if (!start.startsWith('{')) return { ...readKitSheetCsv(text), kit: null };
  const refuse = (problem: string): ReadKit => ({
    sheet: null,
    kit: null,
    problems: [{ line: 1, text: problem }],
  });
  if (text.length > 1_000_000) return refuse('The file is larger than any kit. Choose the right file.');
  let data: unknown;
  try {
    data = JSON.parse(start);
  } catch (error) {
    return refuse(
      `The file is not JSON (${(error as Error).message}). Choose a .vumble-kit.json file, or a table.`,
    );
  }
  const file = KitFile.safeParse(data);
  if (file.success) return { sheet: file.data.kit.sheet, kit: file.data.kit, problems: [] };
  const bare = KitSheet.safeParse(data);
  if (bare.success) return { sheet: bare.data, kit: null, problems: [] };
  const { format } = z.looseObject({ format: z.unknown() }).catch({ format: undefined }).parse(data);
  if (format !== KIT_FILE_FORMAT)
    return refuse(`This is no Vumble kit: it does not begin with "format": "${KIT_FILE_FORMAT}".`);
  return {
    sheet: null,
    kit: null,
    problems: file.error.issues
      .slice(0, 12)
      .map((issue) => ({ line: 1, text: `${issue.path.map(String).join('.')}: ${issue.message}.` })),
  };
}
