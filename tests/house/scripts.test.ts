import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

const SCRIPTS = new URL('../../scripts/', import.meta.url);
let home = '';
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'vumble-install-'));
  mkdirSync(join(home, 'scripts'));
  mkdirSync(join(home, 'bin'));
  for (const name of ['node.sh', 'install.sh'])
    copyFileSync(new URL(name, SCRIPTS), join(home, 'scripts', name));
  writeFileSync(join(home, 'package.json'), '{}');
  writeFileSync(join(home, 'package-lock.json'), '{"wanted": 2}');
});
afterEach(() => rmSync(home, { recursive: true, force: true }));

/** A program of this name that comes before the real one. */
function standIn(name: string, body: string): void {
  writeFileSync(join(home, 'bin', name), `#!/bin/sh\n${body}\n`);
  chmodSync(join(home, 'bin', name), 0o755);
}

/** Packages that are here, of an earlier lock file. */
function installed(): void {
  for (const name of ['vite', 'tsx']) {
    mkdirSync(join(home, 'node_modules', name), { recursive: true });
    writeFileSync(join(home, 'node_modules', name, 'package.json'), '{}');
  }
  writeFileSync(join(home, 'node_modules', '.installed-lock.json'), '{"wanted": 1}');
}

function install(mode: 'wanted' | 'exact') {
  const run = spawnSync('sh', ['-c', `set -e\nINSTALL=${mode}\n. scripts/install.sh\necho went on`], {
    cwd: home,
    env: { ...process.env, PATH: `${join(home, 'bin')}:${process.env.PATH}` },
    encoding: 'utf8',
  });
  return { status: run.status, out: run.stdout, err: run.stderr };
}

const NO_REGISTRY = 'exit 1';
const BREAKS_OFF =
  'case $1 in view) exit 0;; ci) mkdir node_modules; echo half > node_modules/half; exit 1;; esac';
const WORKS =
  'case $1 in view) exit 0;; ci) mkdir -p node_modules/vite; echo new > node_modules/vite/package.json;; esac';

describe('installing', () => {
  it('refuses a Node that is too old, in words', () => {
    standIn('node', 'case $1 in --version) echo v18.19.0;; *) exit 1;; esac');
    const { status, err } = install('wanted');
    expect(status).toBe(1);
    expect(err).toMatch(/Node v18\.19\.0 is too old: 20\.19 or newer is needed/);
  });

  it('says at once that it asks the registry, and starts with what is here where there is none', () => {
    standIn('npm', NO_REGISTRY);
    installed();
    const { status, out, err } = install('wanted');
    expect(out).toMatch(/^Packages are wanted: asking the npm registry \(it gets fifteen seconds/);
    expect(err).toMatch(
      /cannot be reached from here\. Going on with the packages that are here; newer ones wait/,
    );
    expect([status, out.endsWith('went on\n')]).toEqual([0, true]);
    expect(existsSync(join(home, 'node_modules', 'vite', 'package.json'))).toBe(true);
  });

  it.each([
    ['the check asks for what the lock file says', 'exact', true],
    ['nothing is installed', 'wanted', false],
  ] as const)('stops without a registry where %s', (_, mode, some) => {
    standIn('npm', NO_REGISTRY);
    if (some) installed();
    const { status, err } = install(mode);
    expect(status).toBe(1);
    expect(err).toMatch(/connect this machine, or make the folder writable, and try again/);
  });

  it('that breaks off takes nothing of what is here away', () => {
    standIn('npm', BREAKS_OFF);
    installed();
    expect(install('wanted')).toMatchObject({ status: 0 });
    expect(existsSync(join(home, 'node_modules', 'tsx', 'package.json'))).toBe(true);
    expect(existsSync(join(home, 'node_modules', 'half'))).toBe(false);
    expect(existsSync(join(home, 'node_modules-next'))).toBe(false);
  });

  it('that works takes the place of what was here, and is not done again', () => {
    standIn('npm', WORKS);
    installed();
    expect(install('exact').status).toBe(0);
    expect(readFileSync(join(home, 'node_modules', 'vite', 'package.json'), 'utf8')).toBe('new\n');
    expect(existsSync(join(home, 'node_modules', 'tsx'))).toBe(false);
    standIn('npm', NO_REGISTRY);
    expect(install('exact')).toMatchObject({ status: 0, out: 'went on\n' });
  });
});
