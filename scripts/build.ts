/**
 * Builds beside the build that is there, and puts the new one in its place when it is whole: a server that runs goes on
 * answering. What the old one's pages may still ask for stays beside the new for one build.
 *   npm run build [-- --logLevel warn]
 */
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { build, type LogLevel } from 'vite';

const LEVELS: readonly LogLevel[] = ['info', 'warn', 'error', 'silent'];
const { values } = parseArgs({ options: { logLevel: { type: 'string', default: 'info' } } });
const logLevel = LEVELS.find((each) => each === values.logLevel) ?? 'info';
const at = (path: string) => fileURLToPath(new URL(`../${path}`, import.meta.url));
const [dist, next, old] = [at('dist'), at(`dist-next-${process.pid}`), at(`dist-old-${process.pid}`)];

/** The files of a build that its pages ask for by name. */
const assetsOf = (folder: string) => (existsSync(`${folder}/assets`) ? readdirSync(`${folder}/assets`) : []);

try {
  await build({ configFile: at('vite.config.ts'), logLevel, build: { outDir: next, emptyOutDir: true } });
  const own = assetsOf(next);
  // Of the build before, not of all before it: what it took over itself is left behind.
  const before: string[] = existsSync(`${dist}/.vite/own-assets.json`)
    ? (JSON.parse(readFileSync(`${dist}/.vite/own-assets.json`, 'utf8')) as string[])
    : assetsOf(dist);
  mkdirSync(`${next}/assets`, { recursive: true });
  for (const file of before)
    if (!own.includes(file) && existsSync(`${dist}/assets/${file}`))
      cpSync(`${dist}/assets/${file}`, `${next}/assets/${file}`);
  writeFileSync(`${next}/.vite/own-assets.json`, JSON.stringify(own));
  if (existsSync(dist)) renameSync(dist, old);
  renameSync(next, dist);
} finally {
  for (const left of [next, old]) rmSync(left, { recursive: true, force: true });
}
