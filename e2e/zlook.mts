import { chromium } from 'playwright-core';
const [, , out, path, w, h, full] = process.argv;
const b = await chromium.launch({
  executablePath: '/usr/lib/chromium/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu'],
});
const p = await b.newPage({ viewport: { width: Number(w), height: Number(h) } });
p.on('console', (m) => m.type() === 'error' && console.log('console', m.text()));
p.on('pageerror', (e) => console.log('error', e.message));
await p.goto('http://127.0.0.1:4790/rack');
await p.getByRole('button', { name: 'Maren Skerrow owner' }).click();
await p.getByLabel('Who is at the screen').waitFor();
await p.waitForTimeout(800);
const rows = (await (await p.request.get('http://127.0.0.1:4790/api/rack')).json()) as {
  id: number;
  stage: string;
  family: string;
  saw: string;
}[];
const m = /^(\w+):(\w+)$/.exec(path!);
const row = m && rows.find((r) => r.stage === m[1] && r.family === m[2]);
if (m && !row) console.log(rows.map((r) => `${r.stage}:${r.family}`).join(' '));
await p.goto(`http://127.0.0.1:4790${row ? `/ticket/${row.id}/${m![1]}` : path}`);
await p.waitForTimeout(2500);
if (full === 'cut' || full === 'ways') {
  await p.locator(full === 'ways' ? 'od-ways' : 'od-foretold-cut').scrollIntoViewIfNeeded();
  await p.waitForTimeout(300);
}
await p.screenshot({ path: out!, fullPage: full === 'full' });
await b.close();
