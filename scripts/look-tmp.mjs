import { withDemoPage } from './demo-page.mjs';
await withDemoPage(async (page, url) => {
  const jobs = await (await fetch(url + '/api/jobs')).json();
  for (const j of jobs) { const d = await (await fetch(url + '/api/jobs/' + j.id)).json(); if (d.document.recipe.originals.some((o) => o.content.kind === 'lettering')) { console.log(d.document.name, d.document.recipe.originals.map(o=>o.name)); 
    await page.goto(`${url}/jobs/${j.id}/original`);
    await page.waitForTimeout(2500);
    const o = d.document.recipe.originals.find((o) => o.content.kind === 'lettering');
    await page.getByText(o.name, { exact: false }).last().click().catch(() => {});
    await page.waitForTimeout(500);
    const text = page.getByLabel('Text', { exact: true });
    console.log(await text.count());
    if (await text.count()) { await text.fill('LOW TIDE あ'); }
    await page.waitForTimeout(4000);
    await page.screenshot({ path: '/tmp/look-letters.png' });
    break; } }
});
