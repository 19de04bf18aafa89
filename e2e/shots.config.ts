// Makes docs/screenshots from demo data: one picture of each main view.
import { defineConfig } from '@playwright/test'
import { browser, demo, servers } from './servers'

export default defineConfig({
  testDir: 'shots',
  timeout: 120_000,
  workers: 1,
  reporter: 'list',
  globalTeardown: './teardown.ts',
  use: {
    baseURL: demo,
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: browser,
  },
  webServer: servers(1, false),
})
