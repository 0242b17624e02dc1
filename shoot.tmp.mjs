import { chromium } from 'playwright';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
await p.goto('http://127.0.0.1:3100/beside'); await p.waitForTimeout(9000);
await p.screenshot({ path: '/tmp/lab/c0.png' });
await p.setViewportSize({width:390,height:844}); await p.waitForTimeout(400);
await p.screenshot({ path: '/tmp/lab/c2.png' });
await p.goto('http://127.0.0.1:3100/evening'); await p.waitForTimeout(2000);
await b.close();
