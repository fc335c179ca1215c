/**
 * The house, as docs/architecture.md draws it. Arrows run one way: client → core, server → core, nothing between client and server but
 * typed requests; inside the core from plan and words down to the sums; inside the client from stations down to the theme.
 */
const CORE = '^core/src';

/** Rooms of the core, lowest floor first: what stands on a floor may use its own floor and those below. */
const FLOORS = [
  ['units', 'catalogue', 'numeric', 'lettering', 'layout'],
  ['rain/intensity', 'hydraulics', 'site'],
  ['ground'],
  ['job', 'rain'],
  ['works', 'yard'],
  ['inlets'],
  ['runoff'],
  ['network', 'openings'],
  ['plan'],
  ['words'],
  ['snags'],
  ['verdict'],
  ['design', 'quantities', 'simulation'],
  ['api', 'sums', 'formats', 'samples', 'verification', 'field', 'price'],
  ['clearances', 'variants', 'visits'],
  ['care'],
  ['days'],
  ['schools'],
  ['sheets', 'cures', 'proposals'],
  ['asBuilt', 'ledger', 'oldSystem'],
  ['trial'],
];

const roomsAbove = (floor) => FLOORS.slice(floor + 1).flat();

const floorRules = FLOORS.map((rooms, floor) => ({
  name: `core-floor-${floor}`,
  comment: `${rooms.join(', ')} may not reach up`,
  severity: 'error',
  from: { path: `${CORE}/(${rooms.join('|')})/`, pathNot: '\\.test\\.ts$' },
  to: { path: `${CORE}/(${roomsAbove(floor).join('|')})/` },
})).filter(({ to }) => !to.path.endsWith('/()/'));

/** What `from` must never use. */
const never = (name, from, to, more = {}) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$|/testing/' },
  to: { path: to, ...more },
});

/** What draws, above the fields. */
const DRAWN = 'drawing|parts|elements|stations|app';

/** Stations know nothing of one another. */
const STATIONS = ['plan', 'yard', 'storm', 'build', 'keep', 'jobs'];

module.exports = {
  forbidden: [
    {
      name: 'core-alone',
      severity: 'error',
      from: { path: CORE, pathNot: '\\.test\\.ts$|^core/src/testing/' },
      to: { pathNot: '^core/src|node_modules/(zod|date-fns|delaunator|@kninnug/constrainautor|polyclip-ts)/' },
    },
    {
      name: 'core-top-is-index',
      comment: 'No loose files at the top of the core but index.ts.',
      severity: 'error',
      from: {},
      to: { path: '^core/src/(?!index\\.ts$)[^/]+$' },
    },
    ...floorRules,
    never('snags-mend-nothing', '^core/src/snags/', '^core/src/plan/', { dependencyTypesNot: ['type-only'] }),
    never('words-plan-nothing', '^core/src/words/', '^core/src/plan/', { dependencyTypesNot: ['type-only'] }),
    never('hydraulics-know-no-job', '^core/src/hydraulics', '^core/src/(job|network|snags|runoff|inlets|plan)'),
    never('client-not-server', '^client/src', '^server/'),
    never('server-not-client', '^server/src', '^client/'),
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    never('theme-at-the-bottom', '^client/src/theme/', '^client/src/(?!theme/)'),
    never('ui-knows-no-job', '^client/src/(ui|input)/', `^client/src/(sync|planning|files|${DRAWN})/`),
    never('ui-below-input', '^client/src/ui/', '^client/src/input/'),
    never('sync-alone', '^client/src/sync/', `^client/src/(planning|pace|files|ui|input|${DRAWN})/`),
    never('planning-draws-nothing', '^client/src/planning/', `^client/src/(pace|files|ui|input|${DRAWN})/`),
    never('pace-draws-nothing', '^client/src/pace/', `^client/src/(files|ui|input|${DRAWN})/`),
    never('files-draw-nothing', '^client/src/files/', `^client/src/(ui|input|${DRAWN})/`),
    never('drawings-know-no-station', '^client/src/drawing/', '^client/src/(parts|elements|stations|app)/'),
    never('parts-know-no-element', '^client/src/parts/', '^client/src/(elements|stations|app)/'),
    never('elements-know-no-station', '^client/src/elements/', '^client/src/(stations|app)/'),
    ...STATIONS.map((own) =>
      never(
        `${own}-alone`,
        `^client/src/stations/${own}/`,
        `^client/src/stations/(${STATIONS.filter((each) => each !== own).join('|')})/`,
      ),
    ),
    {
      name: 'tests-stay-out',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$|/testing/' },
      to: { path: '\\.test\\.tsx?$|/testing/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
