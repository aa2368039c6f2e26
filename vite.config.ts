import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

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
  },
});
