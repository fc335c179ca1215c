/**
 * Jest runs each file in a context of its own, where every look at a global goes through an interceptor: handed in as a
 * parameter instead, `Math` and its like make the core's sums more than twice as fast.
 */
const sandboxInjectedGlobals = ['Math', 'Number', 'Map', 'Set', 'Array', 'Object', 'Float64Array', 'JSON', 'Error'];

const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      target: 'es2022',
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];

/** Core, server and the client's logic run in plain Node; what renders runs in the web preset. */
const node = {
  testEnvironment: 'node',
  sandboxInjectedGlobals,
  transform: { '^.+\\.(t|j|m?j)sx?$': swc },
  transformIgnorePatterns: [],
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
};

module.exports = {
  // A test ends by what it has done. This only ends one that never would, however slow the machine.
  testTimeout: 600_000,
  // The runner's own choice leaves one core idle, which on two cores is half the machine.
  maxWorkers: '100%',
  // Tests start servers and commands as they are run.
  globalSetup: '<rootDir>/scripts/lib/bundle.mjs',
  projects: [
    { ...node, displayName: 'core', testMatch: ['<rootDir>/core/src/**/*.test.ts'] },
    {
      ...node,
      displayName: 'server',
      testMatch: ['<rootDir>/server/src/**/*.test.ts'],
      // A package that passkeys are read with has a class of that name.
      sandboxInjectedGlobals: sandboxInjectedGlobals.filter((name) => name !== 'Set'),
    },
    { ...node, displayName: 'client', testMatch: ['<rootDir>/client/src/**/*.test.ts'] },
    {
      preset: 'jest-expo/web',
      displayName: 'screens',
      sandboxInjectedGlobals: ['Math'],
      rootDir: '<rootDir>/client',
      roots: ['<rootDir>/src'],
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      // Expo's own transform leaves most packages as they are; these come as modules only.
      transformIgnorePatterns: [
        '/node_modules/(?!(.*react-native.*|expo.*|@expo.*|@react-navigation|@testing-library|lucide-react-native|@tanstack|zod|fast-check|pure-rand|d3-array|d3-contour|internmap|idb|comlink|date-fns|delaunator|robust-predicates|@kninnug|polyclip-ts|splaytree-ts|bignumber))',
      ],
      // What needs nothing of Expo's own transform, which takes several times as long: the core, and packages that are plain modules.
      transform: {
        '[/\\\\]core[/\\\\]src[/\\\\].+\\.ts$': swc,
        '[/\\\\]node_modules[/\\\\](@tanstack|zod|fast-check|pure-rand|d3-array|d3-contour|internmap|idb|comlink|date-fns|delaunator|robust-predicates|@kninnug|polyclip-ts|splaytree-ts|bignumber|lucide-react-native)[^/\\\\]*[/\\\\].+\\.m?js$':
          swc,
        '\\.m?[jt]sx?$': ['babel-jest', { caller: { name: 'metro', bundler: 'metro', platform: 'web' } }],
      },
      // Screens are drawn without the router around them; where they would lead is nobody's matter but the end-to-end tests'.
      moduleNameMapper: { '^expo-router$': '<rootDir>/src/testing/router.ts' },
      setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
    },
  ],
};
