import { defineConfig } from '@playwright/test'
import { browser, empty, servers, workers } from './servers'

export default defineConfig({
  testDir: 'tests',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  workers,
  reporter: 'list',
  globalTeardown: './teardown.ts',
  use: {
    baseURL: empty,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    serviceWorkers: 'block', // but where it is what is tested: what it asks for no journey sees
    launchOptions: browser,
    actionTimeout: 20_000,
    trace: process.env.TRACE ? 'retain-on-failure' : 'off', // following every step takes as long as the steps
  },
  webServer: servers(workers),
})
