/** Second guard beside eslint: what `core/` must never reach, however it is written. */
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment:
        'core/ imports nothing but core/: no package, no Node module, no interface. What its tests stand on may.',
      severity: 'error',
      from: { path: '^core/', pathNot: '(\\.test\\.ts$|/fixtures/)' },
      to: { pathNot: '^core/' },
    },
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
