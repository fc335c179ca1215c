/** The core's tests alone, as the mutation run repeats them some thousand times: property tests in fewer rounds. */
const { projects } = require('./jest.config.js');

const core = projects.find(({ displayName }) => displayName === 'core');
module.exports = {
  ...core,
  displayName: undefined,
  testEnvironment: '@stryker-mutator/jest-runner/jest-env/node',
  setupFiles: ['<rootDir>/core/src/testing/fewerRounds.ts'],
  // Searches for fixes plan a hundred jobs each and rest on what they plan with, whose own tests are here.
  testPathIgnorePatterns: ['/node_modules/', '/core/src/design/', '/core/src/samples/'],
  testTimeout: 60_000,
};
