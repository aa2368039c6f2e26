import { readdirSync } from 'node:fs';
import { join } from 'node:path';

export const root = new URL('../..', import.meta.url).pathname;

/** Every source file in a folder, by its path from the root. */
export const sourcesIn = (folder: string) =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((path) => /\.(ts|tsx|css|mjs)$/.test(path))
    .map((path) => join(folder, path));
