import { chromium } from 'playwright';
const steps = process.argv[2];
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
});
const c = await b.newContext({ viewport: { width: 1280, height: 800 }, baseURL: 'http://127.0.0.1:4900' });
await c.addInitScript(() => localStorage.setItem('odontis.person', '1'));
const page = await c.newPage();
page.on('console', (m) => {
  if (m.type() === 'error') console.log('CONSOLE', m.text());
});
page.on('pageerror', (e) => console.log('PAGEERR', e.message));
const shot = (n, full = false) => page.screenshot({ path: `/tmp/look/${n}.png`, fullPage: full });
const { default: run } = await import(steps);
await run({ page, shot, c });
await b.close();
