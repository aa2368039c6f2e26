/**
 * Script a first visit loads before anything is pressed, gzip: the entry, which holds the job screen and the Cure
 * stage it opens on, with everything it imports. Fails above the budget.
 */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

interface Chunk {
  file: string;
  isEntry?: boolean;
  imports?: string[];
  dynamicImports?: string[];
}

const APP = 'app/start.tsx';
const BUDGET_KB = 260;

const dist = new URL('../dist/', import.meta.url);
const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', dist), 'utf8')) as Record<
  string,
  Chunk
>;
const wanted = new Set<string>();
function want(key: string): void {
  if (wanted.has(key)) return;
  wanted.add(key);
  for (const each of manifest[key]?.imports ?? []) want(each);
}
for (const [key, chunk] of Object.entries(manifest)) {
  if (!chunk.isEntry) continue;
  want(key);
  // The entry only starts the threads; the app it asks for at once is as much of the first load.
  if (!chunk.dynamicImports?.includes(APP)) throw new Error(`${key} no longer loads ${APP}`);
  want(APP);
}
let bytes = 0;
for (const key of wanted) {
  const file = manifest[key]?.file;
  if (file?.endsWith('.js')) bytes += gzipSync(readFileSync(new URL(file, dist))).length;
}
const kilobytes = bytes / 1000;
console.log(`First load: ${kilobytes.toFixed(0)} KB of script, gzip (budget ${BUDGET_KB} KB)`);
if (kilobytes > BUDGET_KB) process.exit(1);
