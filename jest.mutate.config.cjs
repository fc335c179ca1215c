/** The core's tests as the mutation run repeats them some thousand times: in one file, and property tests in fewer rounds. */
const { projects } = require('./jest.config.js');

const core = projects.find(({ displayName }) => displayName === 'core');
module.exports = {
  ...core,
  displayName: undefined,
  testEnvironment: '@stryker-mutator/jest-runner/jest-env/node',
  setupFiles: ['<rootDir>/core/src/testing/fewerRounds.ts'],
  testMatch: ['<rootDir>/core/src/testing/together.ts'],
  testTimeout: 60_000,
};
