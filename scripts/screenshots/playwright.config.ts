import base from '../../e2e/playwright.config';

export default {
  ...base,
  testDir: '.',
  testMatch: '*.shots.ts',
  reporter: 'list',
  workers: 1,
  projects: [{ name: 'pictures' }],
};
