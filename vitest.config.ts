import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Generous: ngspice and the browser tests may share the machine's cores.
    testTimeout: 60_000,
    include: ['{core,web,server,cli,demo}/**/*.test.ts', 'tests/{reference,fuzz,house,walk}/**/*.test.ts'],
    reporters: process.env.VUMBLE_COUNTS ? ['default', 'json'] : ['default'],
    outputFile: { json: '.vumble/unit.json' },
  },
});
