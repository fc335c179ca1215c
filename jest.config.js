/** Core, server and the client's logic run in plain Node; what renders runs in the web preset. */
const node = {
  testEnvironment: 'node',
  transform: {
    '^.+\\.(t|j|m?j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [],
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json'],
};

module.exports = {
  // Property tests run many cases, and machines can be slow.
  testTimeout: 60_000,
  projects: [
    { ...node, displayName: 'core', testMatch: ['<rootDir>/core/src/**/*.test.ts'] },
    { ...node, displayName: 'server', testMatch: ['<rootDir>/server/src/**/*.test.ts'] },
    { ...node, displayName: 'client', testMatch: ['<rootDir>/client/src/**/*.test.ts'] },
    {
      preset: 'jest-expo/web',
      displayName: 'screens',
      rootDir: '<rootDir>/client',
      roots: ['<rootDir>/src'],
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      // Expo's own transform leaves most packages as they are; these come as modules only.
      transformIgnorePatterns: [
        '/node_modules/(?!(.*react-native.*|expo.*|@expo.*|@react-navigation|@testing-library|lucide-react-native|@tanstack|zod|fast-check|pure-rand|d3-array|internmap|idb|comlink|date-fns|delaunator|robust-predicates|@kninnug|polyclip-ts|splaytree-ts|bignumber))',
      ],
      transform: { '\\.m?[jt]sx?$': ['babel-jest', { caller: { name: 'metro', bundler: 'metro', platform: 'web' } }] },
      // Screens are drawn without the router around them; where they would lead is nobody's matter but the end-to-end tests'.
      moduleNameMapper: { '^expo-router$': '<rootDir>/src/testing/router.ts' },
      setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
    },
  ],
};
