/** Folders import in one direction only: what two of them need from each other belongs in one, or below both. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles-of-folders',
      scope: 'folder',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    // Tests stand beside what they test and may take the demo fleet to do it.
    exclude: { path: '\\.test\\.tsx?$|^demo/forTests\\.ts$|node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
};
