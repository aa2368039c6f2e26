import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** What only some screens need, however many share it, is loaded with the first of them. */
const LATER = [
  /node_modules\/(zod|papaparse|echarts|zrender|elkjs|@floating-ui|ml-matrix|fft\.js|wavefile|ics|fflate|@noble|@scure|workbox-window|qrcode|pdfmake|jsqr|@tanstack\/(table-core|react-table|virtual-core|react-virtual)|react-number-format|react-remove-scroll|react-remove-scroll-bar|use-sidecar|react-style-singleton|aria-hidden|react-textarea-autosize)\//,
  /\/(NumberInput|Checkbox|Radio|Modal|ModalBase|Overlay|FocusTrap|ScrollArea|use-focus-trap|Slider|Textarea|TextInput|Combobox)\//,
  /\/core\/numerics\/(regression|harmonics|random)\.ts$/,
  /\/web\/ui\/(Dialog|FileButton|DecimalInput|QuantityInput|SavedQuantity|table\/\w+|OptionalNumber|SavedNumber|fields\/\w+)\.tsx?$/,
  /\/web\/job\/(measure|instruments)\//,
  /\/core\/(model|formats|fleet|handoff|log|pages|merge|inventory|flashmeter|instruments|record|faults|practice|proving|judge|heat|cures|presets|lookover|vehicle|light|wiring|words|work)\//,
  /\/core\/simulation\/(fitment|wholeLamp|worksLed)\.ts$/,
];
/** What the entry needs before the app: it starts the threads while the rest is still on its way. */
const EARLY =
  /node_modules\/comlink\/|\/web\/(workers\/(engine|makeStore|named)|store\/name|app\/(early|newBuild|pause))\.ts$|vite\/preload-helper/;
const LOOK_UP = /\/core\/model\/vehicle\/(lookUp|netlistNames)\.ts$/;

function isForAnyScreen(id: string): boolean {
  return LOOK_UP.test(id) || !LATER.some((each) => each.test(id));
}

/** The page says which files the app is in: its small entry asks for all of them once the first words are painted. */
const appOnItsWay: Plugin = {
  name: 'app-on-its-way',
  transformIndexHtml: {
    order: 'post',
    handler(_, { bundle }) {
      const app = Object.values(bundle ?? {}).find(
        (each) => each.type === 'chunk' && each.facadeModuleId?.endsWith('/web/app/start.tsx'),
      );
      if (app?.type !== 'chunk') return [];
      return [
        {
          tag: 'meta',
          attrs: { name: 'app-files', content: [app.fileName, ...app.imports].join(' ') },
          injectTo: 'head' as const,
        },
      ];
    },
  },
};

/**
 * Everything of a build is kept in the browser, so that a yard without a network is no matter. A new build waits until it is
 * asked for, or until no tab is open any more; an old tab goes on with its own files until then.
 */
const offline = VitePWA({
  strategies: 'generateSW',
  registerType: 'prompt',
  injectRegister: false,
  includeAssets: ['mark.svg'],
  manifest: {
    id: '/',
    name: 'Vumble',
    short_name: 'Vumble',
    description: 'Plans, rehearses and proves LED conversions of signal lamps.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#0d141c',
    theme_color: '#0d141c',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,woff2,woff,svg,png}'],
    // Files have their hash in the name: they are what they were.
    dontCacheBustURLsMatching: /^assets\//,
    maximumFileSizeToCacheInBytes: 6_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/instruments/, /^\/mailbox/, /^\/trust/],
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    skipWaiting: false,
  },
});

export default defineConfig({
  root: 'web',
  plugins: [react(), appOnItsWay, offline],
  // As Node takes it, too: its other build exports by name alone.
  resolve: { alias: { wavefile: 'wavefile/dist/wavefile.js' } },
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
      output: {
        codeSplitting: {
          groups: [
            { name: 'early', test: EARLY, priority: 2 },
            // What is small and in the first load goes with a large file: one more file costs more than it holds.
            {
              name: 'react',
              test: /node_modules\/(react|react-dom|scheduler|@mantine\/hooks\/esm\/use-resize-observer)\//,
              priority: 2,
            },
            {
              name: 'router',
              test: /node_modules\/(react-router|@tanstack\/(react-query|query-core))\/|\/app\/pieces\/router/,
              priority: 2,
            },
            {
              name: 'store',
              test: /node_modules\/(dexie|immer)\/|\/app\/pieces\/store|\/core\/model\/evidenceNames/,
              priority: 2,
            },
            { name: 'common', minShareCount: 5, test: isForAnyScreen, priority: 1 },
          ],
        },
      },
    },
  },
});
