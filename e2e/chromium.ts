import { existsSync } from 'node:fs';

/** Debian's Chromium, never a downloaded one; no background traffic. What is measured is measured in this. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

const SHELL = '/usr/bin/chromium-headless-shell';

/** The same without the frame of a window about each page, which nobody sees in a test and takes half of its time, where it is installed. */
export const HEADLESS = { ...CHROMIUM, ...(existsSync(SHELL) && { executablePath: SHELL }) };
