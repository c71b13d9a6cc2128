/** Debian's Chromium, as it is run without a window: nothing leaves the machine. */
export const CHROMIUM = process.env['CHROMIUM'] ?? '/usr/bin/chromium';
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
