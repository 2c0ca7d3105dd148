import { defineConfig } from '@playwright/test';
import { testBrowser } from './scripts/setup.mjs';

const port = Number(process.env.TEST_PORT ?? 4519);

export default defineConfig({
  testDir: 'tests',
  testMatch: '**/*.spec.ts',
  fullyParallel: true,
  // Pages wait more than they work: more of them than there are processors.
  workers: 4,
  retries: 0,
  // A slow machine is no failure.
  timeout: 240_000,
  expect: { timeout: 40_000 },
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Lisbon',
    locale: 'en-GB',
    // Each test has a browser of its own: keeping every file of the app for offline use would be most of its work.
    serviceWorkers: 'block',
    trace: 'off',
    launchOptions: {
      executablePath: testBrowser(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        // Letters as wide as they are drawn, not as whole pixels.
        '--font-render-hinting=none',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // The last list of features off is the one that counts: the runner's own that matter here, and then the
        // browser's own pages and pages kept in reserve, which nobody sees and which take half the processors.
        `--disable-features=${[
          'AvoidUnnecessaryBeforeUnloadCheckSync',
          'DestroyProfileOnBrowserClose',
          'HttpsUpgrades',
          'LensOverlay',
          'MediaRouter',
          'PaintHolding',
          'ThirdPartyStoragePartitioning',
          'OptimizationHints',
          'NetworkTimeServiceQuerying',
          'AimEnabled',
          'PreconnectToSearch',
          'PreloadTopChromeWebUI',
          'WebUIOmniboxPopup',
          'WebUIToolbar',
          'SpareRendererForSitePerProcess'
        ].join(',')}`
      ]
    }
  },
  webServer: {
    command: 'node scripts/serve.mjs',
    url: `http://127.0.0.1:${port}/api/health`,
    env: { PORT: String(port), HOST: '127.0.0.1' },
    reuseExistingServer: false,
    timeout: 30_000
  }
});
