/**
 * Holds the arrows between folders: single imports by .dependency-cruiser.cjs, circles of folders by
 * .dependency-cruiser.folders.cjs. Fails where it was shown fewer files than there are: a check that reads nothing
 * finds nothing wrong.
 *   npm run boundaries
 */
import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';

const ROOTS = ['core', 'web', 'server', 'cli', 'demo'];
const sources = ROOTS.flatMap((root) => readdirSync(root, { recursive: true })).filter((path) =>
  /\.tsx?$/.test(path),
);
const tests = sources.filter((path) => /\.test\.tsx?$|forTests\.ts$/.test(path));

/** What is wrong by one configuration, in words; null where nothing is. */
function problemsBy(config, files) {
  const { stdout, stderr, status } = spawnSync('depcruise', ['--config', config, ...ROOTS], {
    encoding: 'utf8',
  });
  const seen = Number(/(\d+) modules/.exec(stdout)?.[1] ?? 0);
  if (status !== 0) return stdout + stderr;
  return seen < files ? `${config}: only ${seen} modules were read of the ${files} there are.` : null;
}

const problems = [
  problemsBy('.dependency-cruiser.cjs', sources.length),
  problemsBy('.dependency-cruiser.folders.cjs', sources.length - tests.length),
].filter((each) => each !== null);
for (const problem of problems) console.error(problem);
if (problems.length === 0) console.log(`No import crosses a boundary, in ${sources.length} files.`);
process.exit(problems.length > 0 ? 1 : 0);
