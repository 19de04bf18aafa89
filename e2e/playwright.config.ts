import { defineConfig } from '@playwright/test'
import { browser, empty, servers } from './servers'

export default defineConfig({
  testDir: 'tests',
  timeout: 90_000,
  expect: { timeout: 15_000 },
  workers: 1,
  reporter: 'list',
  globalTeardown: './teardown.ts',
  use: {
    baseURL: empty,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: browser,
    actionTimeout: 10_000,
    trace: process.env.TRACE ? 'retain-on-failure' : 'off', // following every step takes as long as the steps
  },
  webServer: [servers.empty, servers.demo],
})
