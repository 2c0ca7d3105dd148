export default async (b, base) => {
  for (const [n, w, h] of [['d',1280,800],['m',390,844]]) {
    const p = await (await b.newContext({ viewport: { width: w, height: h } })).newPage();
    await p.goto(base + '/');
    await p.getByRole('button', { name: /Look round/ }).click();
    await p.getByRole('heading', { level: 1 }).filter({ hasText: /job|burst|brew/ }).waitFor();
    await p.waitForTimeout(800);
    await p.screenshot({ path: `/tmp/today-${n}.png` });
    const stirred = p.getByRole('button', { name: 'Stirred' }).first();
    if (await stirred.count()) { await stirred.click(); await p.waitForTimeout(500); await p.screenshot({ path: `/tmp/today2-${n}.png`, fullPage: n === 'm' }); }
  }
};
