import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** What only some screens need, however many share it, is loaded with the first of them. */
const LATER = [
  /node_modules\/(zod|papaparse|echarts|zrender)\//,
  /\/(NumberInput|Checkbox|Radio|Modal|ModalBase|Slider|Textarea|TextInput)\//,
  /\/core\/(model|formats|judge|heat|cures|presets|lookover|vehicle|light)\//,
];
const LOOK_UP = /\/core\/model\/vehicle\/(lookUp|netlistNames)\.ts$/;

function isForAnyScreen(id: string): boolean {
  return LOOK_UP.test(id) || !LATER.some((each) => each.test(id));
}

export default defineConfig({
  root: 'web',
  plugins: [react()],
  worker: { format: 'es' },
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    target: 'es2022',
    // A strict content policy forbids data: fonts and scripts, so nothing is inlined.
    assetsInlineLimit: 0,
    manifest: true,
    // The entry holds React, the router, the store and the engine; scripts/firstLoadSize.ts guards its size.
    chunkSizeWarningLimit: 800,
    // What most screens share is one file: forty small ones cost a slow machine more to ask for than to run.
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'common', minShareCount: 5, test: isForAnyScreen }] } },
    },
  },
});
