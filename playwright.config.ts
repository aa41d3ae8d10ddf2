import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/e2e',
  // A disk that stalls for a minute is no fault of what is tested.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  // One that passes when it is asked again is reported as flaky, never passed over in silence.
  retries: 1,
  fullyParallel: false,
  // Each test has a server of its own.
  workers: 2,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What is not there after a minute does not come: the test is tried again, instead of waiting out its time.
    actionTimeout: 60_000,
    // A trace costs a third of the time; `--trace on` gives one of a test that fails.
    screenshot: 'only-on-failure',
    launchOptions: { executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] },
  },
})
