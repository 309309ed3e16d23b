import { chromium } from 'playwright-core';
import { CHROMIUM, setDay } from './browser.ts';
const base='http://localhost:4173';
const b=await chromium.launch({executablePath:CHROMIUM,args:['--no-sandbox','--disable-gpu']});
const c=await b.newContext({viewport:{width:1280,height:800},serviceWorkers:'block',locale:'en-GB'});
const p=await c.newPage(); p.on('pageerror',e=>console.log('PAGE',e.message));
await p.goto(base+'/open-demo/north-shore'); await p.getByRole('img',{name:/Cloth of/}).waitFor();
const done=async()=>{await p.getByText('covers done').waitFor(); await p.getByText('covers done').waitFor({state:'detached',timeout:60000});};
await p.goto(base+'/bed/north-shore-bed-R1/choose');
// short summer gap
await p.getByLabel('What comes next').selectOption({label:'Lettuce'});
await setDay(p,'Planting day','2027-08-15'); await setDay(p,'Ground free on','2027-07-01'); await done();
await p.screenshot({path:'/tmp/shots/c2.png'});
const t=async(n:number)=>console.log((await p.getByRole('complementary').first().innerText().catch(async()=>await p.locator('aside').first().innerText())).slice(0,n));
await t(2600);
console.log('--- heads', await p.locator('button[aria-label^="Pin "]').evaluateAll(x=>x.map(e=>e.getAttribute('aria-label'))));
// ley year
await p.getByLabel('What comes next').selectOption({label:'Squash'});
await setDay(p,'Planting day','2029-05-25'); await setDay(p,'Ground free on','2028-04-10'); await done();
await p.screenshot({path:'/tmp/shots/c3.png'});
await t(2000);
console.log('--- heads', await p.locator('button[aria-label^="Pin "]').evaluateAll(x=>x.map(e=>e.getAttribute('aria-label'))));
await b.close();
