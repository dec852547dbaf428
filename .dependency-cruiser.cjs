/**
 * Core's floors, the lowest first: a room imports its own floor and those under it. `shop` and `store` stand on
 * `work`; `trace`, `photograph` and `hear` beside it, on the arithmetic.
 */
const FLOORS = [
  ['units', 'reason', 'money'],
  ['saw'],
  ['evidence'],
  [
    'angles',
    'band',
    'calibration',
    'circular',
    'file',
    'life',
    'line',
    'plate',
    'pull',
    'raker',
    'set',
    'testcut',
    'cause',
    'learn',
  ],
  ['judgement'],
  ['work'],
  ['shop', 'store'],
];
const NOT_A_TEST = '(\\.spec\\.ts$|^core/reference/)';
const rooms = (floors) => `^core/(${floors.flat().join('|')})/`;

/** Imports run one way: core <- contract <- server, web; features meet in shared, never in each other. */
const rule = (name, from, to) => ({ name, severity: 'error', from, to });

module.exports = {
  forbidden: [
    rule('no-circles', {}, { circular: true }),
    ...FLOORS.slice(0, -1).map((floor, i) =>
      rule(
        `floor-${floor[0]}`,
        { path: rooms([floor]), pathNot: NOT_A_TEST },
        { path: rooms([...FLOORS.slice(i + 1), ['trace', 'photograph', 'hear']]) },
      ),
    ),
    rule(
      'pictures-beside-work',
      { path: '^core/(trace|photograph|hear)/', pathNot: NOT_A_TEST },
      { path: rooms(FLOORS.slice(4)) },
    ),
    // A room that stands on no floor is one nobody placed.
    rule(
      'every-room-has-a-floor',
      { path: '^core/', pathNot: NOT_A_TEST },
      { path: '^core/', pathNot: rooms([...FLOORS, ['trace', 'photograph', 'hear', 'reference']]) },
    ),
    rule(
      'core-stands-alone',
      { path: '^core/', pathNot: '(\\.spec\\.ts$|^core/reference/)' },
      { pathNot: '^(core/|node_modules/(zod|simple-statistics|ml-matrix|ml-levenberg-marquardt|zxing-wasm|fft\.js)/)' },
    ),
    rule(
      'contract-on-core-only',
      { path: '^contract/', pathNot: '\\.spec\\.ts$' },
      { pathNot: '^(contract/|core/|node_modules/(zod|@tarikjabiri/dxf)/)' },
    ),
    rule('server-not-web', { path: '^server/' }, { path: '^(web|e2e)/' }),
    rule('web-not-server', { path: '^web/' }, { path: '^(server|tools|e2e)/' }),
    rule(
      'features-apart',
      { path: '^web/app/features/([^/]+)/' },
      { path: '^web/app/features/', pathNot: '^web/app/features/$1/' },
    ),
    rule(
      'router-alone-knows-features',
      { path: '^web/app/', pathNot: '^web/app/(features/|routes\\.ts$)' },
      { path: '^web/app/features/' },
    ),
    // The makers of scans with known truth lie in core/reference: they are no part of the app.
    rule('e2e-outside', { path: '^e2e/' }, { path: '^(web|server|core(?!/reference/)|tools)/' }),
    rule(
      'references-only-in-tests',
      { path: '^(core|contract|server|web)/', pathNot: '(\\.spec\\.ts$|^core/reference/)' },
      { path: '^core/reference/' },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.mjs', '.js', '.cjs', '.json', '.d.ts'],
    },
  },
};
