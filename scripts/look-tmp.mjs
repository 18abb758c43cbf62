import { withDemoPage } from './demo-page.mjs';
const PRESS = { 'Moon over the reeds':'Poster table, fine mesh','Low tide card':'Stencil duplicator','Night walk badge':'Hand table, coarse mesh, paper','Members’ ticket':'Sheet-fed offset, uncoated','Programme cover':'Stencil duplicator','Open night banner':'Hand table, coarse mesh, paper','First light card':'Sheet-fed offset, uncoated','Dusk tote':'Hand table, coarse mesh, dark cloth','Season leaflet':'Sheet-fed offset, uncoated','Open Night poster':'Hand table, coarse mesh, paper' };
await withDemoPage(async (page, url) => {
  page.on('pageerror', e => console.log('ERR', e.message));
  page.on('console', m => m.type()==='error' && console.log('CON', m.text()));
  await page.goto(url);
  await page.waitForTimeout(2000);
  const jobs = await (await page.request.get(url + '/api/jobs')).json();
  for (const j of jobs) {
    await page.goto(`${url}/jobs/${j.id}/press`);
    await page.getByLabel('Press', { exact: true }).selectOption({ label: PRESS[j.document.name] });
    await page.waitForTimeout(1000);
    await page.waitForFunction(() => !/checking/.test(document.querySelector('[aria-label="Press check"]')?.textContent ?? 'checking'), null, {timeout: 60000}).catch(()=>console.log('timeout'));
    console.log('##', j.document.name, '·', PRESS[j.document.name], '·', await page.getByLabel('Press check').textContent());
    for (const li of await page.getByLabel('Findings').locator('li').all()) console.log('  -', (await li.innerText()).replace(/\n+/g,' | '));
    if (/poster/i.test(j.document.name)) await page.screenshot({ path: '/tmp/look1.png' });
  }
});
