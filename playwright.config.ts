import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './e2e/chromium'

const address = process.env.WAKARU_URL ?? 'http://127.0.0.1:4173'

/**
 * Without a graphics card the view in space takes long; its own test asks for it. Drawer and findings lie open, to be
 * read.
 */
const KEPT = ['wakaru-drawn-view', 'wakaru-drawer', 'wakaru-all-findings'].map(name => ({ name, value: 'true' }))

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.data/interface',
  // Classes are made by each test for itself, so two can run at once.
  fullyParallel: true,
  workers: 2,
  retries: 0,
  // Two browsers, their workers, the server and the database share two cores: limits stand at five times what a quiet
  // machine takes, so that no test fails because the machine is busy.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  // What fills the shelf comes last, when nobody looks for a paper any more.
  projects: [
    { name: 'studio', testIgnore: /large/ },
    { name: 'large', testMatch: /large/, dependencies: ['studio'] },
  ],
  use: {
    baseURL: address,
    storageState: { cookies: [], origins: [{ origin: address, localStorage: KEPT }] },
    launchOptions: CHROMIUM,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
  },
})
