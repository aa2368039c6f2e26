import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,web,server,cli,demo}/**/*.test.ts', 'tests/reference/**/*.test.ts'],
    reporters: process.env.VUMBLE_COUNTS ? ['default', 'json'] : ['default'],
    outputFile: { json: '.vumble/unit.json' },
  },
});
