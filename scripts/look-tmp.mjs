import { withDemoPage } from './demo-page.mjs';
await withDemoPage(async (page, url) => {
  const jobs = await (await fetch(url + '/api/jobs')).json();
  console.log(jobs.map((j) => j.name + ' ' + j.id).join('\n'));
  const job = jobs.find((j) => /grain|stipp/i.test(j.name)) ?? jobs[0];
  await page.goto(`${url}/jobs/${job.id}/films`);
  await page.getByRole('radio', { name: 'SVG' }).click();
  await page.waitForTimeout(6000);
  await page.screenshot({ path: '/tmp/look-films.png' });
  const dots = jobs.find((j) => /poster/i.test(j.name)) ?? jobs[1];
  await page.goto(`${url}/jobs/${dots.id}/films`);
  await page.getByRole('radio', { name: 'SVG' }).click();
  await page.waitForTimeout(6000);
  await page.screenshot({ path: '/tmp/look-films2.png' });
});
