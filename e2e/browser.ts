import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext } from 'playwright-core';
import { PATIENCE_MS } from './patience.ts';

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

const opened: { context: BrowserContext; profile: string }[] = [];

/** Closes every browser of this process; one left open by a failed test would keep it from ending. */
export async function closeBrowsers(): Promise<void> {
  for (const { context, profile } of opened.splice(0)) {
    await context.close();
    rmSync(profile, { recursive: true, force: true });
  }
}

/**
 * Debian's headless Chromium with a profile of its own. Every address but loopback is cut off, so a
 * font or script from elsewhere would show as a failure.
 */
export async function openBrowser(
  viewport: { width: number; height: number },
  /** `touch`: a phone's screen under a finger, not a mouse. */
  { touch = false }: { touch?: boolean } = {},
): Promise<BrowserContext> {
  const profile = mkdtempSync(join(tmpdir(), 'alfombra-browser-'));
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    viewport,
    locale: 'en-US',
    hasTouch: touch,
    isMobile: touch,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      // Else Chromium reports a made-up quota, whatever is set for a test.
      '--disable-features=PredictableReportedQuota,StaticStorageQuota',
      '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
    ],
  });
  context.setDefaultTimeout(PATIENCE_MS);
  opened.push({ context, profile });
  return context;
}
