import { chromium } from 'playwright-core';
const [,, path, out, ...acts] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-quic','--no-first-run','--use-angle=swiftshader','--enable-unsafe-swiftshader'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on('console', m => { if (m.type() === 'error') console.log('ERR', m.text()); });
p.on('pageerror', e => console.log('PAGEERR', e.message));
await p.goto('http://127.0.0.1:4700' + path); await p.waitForTimeout(3500);
for (const a of acts) { try { await eval('(async()=>{' + a + '})()'); } catch (e) { console.log('ACT', a, e.message.slice(0, 300)); } }
await p.screenshot({ path: out }); await b.close();
