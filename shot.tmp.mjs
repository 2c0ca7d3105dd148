import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
const port = 4199;
const srv = spawn('node', ['build/index.js'], { env: { ...process.env, PORT: String(port), HOST: '127.0.0.1' }, stdio: 'ignore' });
await new Promise(r => setTimeout(r, 1500));
const exe = process.env.CHROME ?? '/usr/bin/chromium';
const b = await chromium.launch({ executablePath: exe }).catch(() => chromium.launch());
const job = (await import(process.argv[2])).default;
try { await job(b, `http://127.0.0.1:${port}`); } finally { await b.close(); srv.kill(); }
