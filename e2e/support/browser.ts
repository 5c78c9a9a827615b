import puppeteer, { type Browser } from 'puppeteer-core';
import { programPath } from '../../tools/lib/needs.mjs';

/** Debian's Chromium, without a window or the code to draw one, and without anything that calls home. */
export function launchBrowser(): Promise<Browser> {
  return puppeteer.launch({
    executablePath: programPath('chromium-headless-shell') ?? 'chromium-headless-shell',
    headless: 'shell',
    env: { ...process.env, TZ: 'Asia/Kathmandu' },
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-quic',
      '--lang=en-GB',
    ],
  });
}
