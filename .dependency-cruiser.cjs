/** An import runs one way: web → core; server → core, formats; cli → core, formats; formats → core; core → nothing. */
const layer = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join('-') || 'nothing'}`,
  severity: 'error',
  from: { path: `^packages/${from}/src` },
  to: { path: '^packages/([^/]+)/', pathNot: [from, ...allowed].map((name) => `^packages/${name}/`) },
});

module.exports = {
  forbidden: [
    layer('core', []),
    layer('formats', ['core']),
    layer('server', ['core', 'formats']),
    layer('cli', ['core', 'formats']),
    layer('web', ['core']),
    {
      name: 'core-is-pure',
      comment: 'The core knows no Node, no database, no browser.',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-circular-folders',
      comment:
        'Two folders that import each other are one room with a wall in the wrong place. What wires a package stands outside them.',
      scope: 'folder',
      severity: 'error',
      from: { path: '^packages/[^/]+/src/' },
      to: { circular: true, viaOnly: { path: '^packages/[^/]+/src/' } },
    },
    {
      name: 'only-driver-opens-the-database',
      severity: 'error',
      from: { path: '^packages/server/src', pathNot: '^packages/server/src/database/' },
      to: { path: 'better-sqlite3' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      conditionNames: ['development', 'import', 'require', 'node', 'default'],
      exportsFields: ['exports'],
    },
  },
};
