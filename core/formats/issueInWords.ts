import type { z } from 'zod';

/** The longest text of a stranger's that is quoted, characters. */
const QUOTED = 80;

/** A text of a stranger's, short enough to be shown. */
export function quoted(text: string): string {
  return text.length > QUOTED ? `${text.slice(0, QUOTED)}…` : text;
}

/** What is wrong with a file, with where: `job.title: Too big: expected string to have <=160 characters.` */
export function issueInWords({ path, message }: z.core.$ZodIssue): string {
  const where = path.map((step) => quoted(String(step))).join('.');
  return `${quoted(where) || 'The file'}: ${message.length > 300 ? `${message.slice(0, 300)}…` : message}.`.replace(
    /\.\.$/,
    '.',
  );
}
