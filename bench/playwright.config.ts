import { fileURLToPath } from 'node:url';
import { defineConfig } from '@playwright/test';
import base from '../playwright.config';

const root = fileURLToPath(new URL('..', import.meta.url));
export default defineConfig({
  ...base,
  testDir: '.',
  testMatch: '**/*.page.ts',
  workers: 1,
  webServer: { ...base.webServer!, cwd: root } as typeof base.webServer
});
