import { defineConfig } from 'vitest/config';

/** What lays drawings out takes the `window` for a browser's that ngspice's build leaves behind in a thread. */
const LAID_OUT = ['core/wiring/sheet/*.test.ts', 'cli/fitting.test.ts', 'cli/handing.test.ts'];

export default defineConfig({
  test: {
    // Generous: ngspice and the browser tests may share the machine's cores.
    testTimeout: 60_000,
    // All cores: who only gives them out is idle while they work.
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: {
          name: 'engine',
          include: ['{core,server,cli,demo}/**/*.test.ts', 'tests/{reference,fuzz,house,walk}/**/*.test.ts'],
          exclude: LAID_OUT,
          // Nothing there keeps a state between tests: read once a thread, not once a file, in half the time.
          isolate: false,
        },
      },
      { extends: true, test: { name: 'drawings', include: LAID_OUT } },
      // The store has one database, and a queue of what was typed last.
      { extends: true, test: { name: 'web', include: ['web/**/*.test.ts'] } },
      // Pieces of screens and their hooks, drawn without a browser.
      {
        extends: true,
        test: {
          name: 'screens',
          include: ['web/**/*.test.tsx'],
          environment: 'jsdom',
          setupFiles: ['tests/screens/setup.ts'],
        },
      },
    ],
    reporters: process.env.VUMBLE_COUNTS ? ['default', 'json'] : ['default'],
    outputFile: { json: '.vumble/unit.json' },
  },
});
