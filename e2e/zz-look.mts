import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const p = await (await b.newContext({ viewport: { width: 1280, height: 1300 }, reducedMotion: 'reduce' })).newPage();
p.on('console', (m) => m.type() === 'error' && console.log(m.text()));
await p.goto('http://localhost:4173/open-demo/north-shore');
await p.getByText('This week').waitFor();
await p.goto('http://localhost:4173/ground');
await p.waitForTimeout(1000);
const f = p.getByLabel(/hours a week/i).first();
console.log(await f.count());
if (await f.count()) { await f.fill('0.25'); await f.press('Enter'); await f.blur(); }
await p.waitForTimeout(500);
await p.goto('http://localhost:4173/shared');
await p.getByRole('heading', { name: 'Hours' }).waitFor();
await p.waitForTimeout(4000);
await p.screenshot({ path: '/tmp/l-shared.png' });
await b.close();
