/** The arrows of docs/architecture.md: interfaces depend on the engine, the engine on nothing of ours. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'core/ imports nothing from outside core/',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(web|server|cli|demo|tests|scripts)/' },
    },
    {
      name: 'core-has-no-interface-libraries',
      severity: 'error',
      comment: 'core/ may only use calculation and data libraries',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev'],
        pathNot:
          'node_modules/(@noble|@scure|@types/pdfmake|fflate|qrcode|@types/qrcode|zod|papaparse|elkjs|@types/papaparse|fast-deep-equal|fft.js|ml-matrix|wavefile|ics)',
      },
    },
    {
      name: 'core-does-no-io',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'demo-uses-core-only',
      severity: 'error',
      from: { path: '^demo/' },
      to: { path: '^(web|server|cli|tests|scripts)/' },
    },
    {
      name: 'interfaces-stay-apart',
      severity: 'error',
      comment: 'web, server and cli meet only in core/ and demo/',
      from: { path: '^(web|server|cli)/' },
      to: { path: '^(web|server|cli)/', pathNot: '^$1/' },
    },
    {
      name: 'stages-do-not-import-each-other',
      severity: 'error',
      from: { path: '^web/stages/([^/]+)/' },
      to: { path: '^web/stages/([^/]+)/', pathNot: '^web/stages/$1/' },
    },
    {
      name: 'one-simulation',
      severity: 'error',
      comment: 'netlist, contacts and solver are put together in core/simulation/ and nowhere else',
      from: { path: '^(core|web|server|cli|demo)/', pathNot: '(^core/(simulation|circuit)/|\\.test\\.ts$)' },
      to: {
        path: '^core/simulation/(vehicleNetlist|steadyCircuit|contacts)\\.ts$|^core/circuit/engine/transient\\.ts$',
      },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'screens-are-opened-not-imported',
      severity: 'error',
      comment:
        'stages and places are opened by the router and the job screen alone, and stand on job/ and ui/',
      from: { path: '^web/(job|ui|store|workers|theme)/' },
      to: { path: '^web/(stages|places|app)/' },
    },
    {
      name: 'tests-are-not-imported',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$' },
      to: { path: '\\.test\\.tsx?$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
};
