import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext } from 'playwright-core';

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

/**
 * Debian's headless Chromium with a profile of its own. Every address but loopback is cut off, so a
 * font or script from elsewhere would show as a failure.
 */
export function openBrowser(viewport: { width: number; height: number }): Promise<BrowserContext> {
  return chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'alfombra-browser-')), {
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    viewport,
    locale: 'en-US',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
    ],
  });
}
