import { defineConfig } from 'vite';

/** The benchmark built as the application is: run as it is written, a loader names every inner function anew, at each call. */
export default defineConfig({
  build: {
    ssr: 'tests/bench/bench.ts',
    outDir: '.vumble/bench',
    target: 'es2022',
  },
});
