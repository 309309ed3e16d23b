import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
for (const [w, h, tag, cover] of [[1280, 900, 'w', 'north-shore-cover-7-2026-09'], [390, 844, 'p', 'north-shore-cover-7-2026-09']] as const) {
const p = await (await b.newContext({ viewport: { width: w, height: h }, reducedMotion: 'reduce' })).newPage();
p.on('console', (m) => m.type() === 'error' && console.log(m.text()));
await p.goto('http://localhost:4173/open-demo/north-shore');
await p.getByText('This week').waitFor();
await p.getByLabel('Season clock: the pretended date').fill('2027-02-10'); await p.getByLabel('Season clock: the pretended date').press('Enter'); await p.waitForTimeout(500); await p.goto(`http://localhost:4173/cover/${cover}/terminate`);
await p.getByText('What waiting buys').filter({ visible: true }).first().waitFor();
await p.waitForTimeout(2500);
await p.screenshot({ path: `/tmp/l-term-${tag}.png` });
}
await b.close();
