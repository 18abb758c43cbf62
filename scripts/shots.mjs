/** Refreshes docs/screenshots from the demo data: one picture of each main view, 1280 × 800. */

import { build, install, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
// Only now, for what it needs has just been installed.
const { withDemoPage } = await import('./demo-page.mjs');
const { default: sharp } = await import('sharp');

/** Parts of the demo originals, as pictures of their own. */
const seriesOf = (count) =>
  Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const file = i % 2 ? 'moon-over-reeds.jpg' : 'marsh-at-dusk.jpg';
      const { width, height } = await sharp(`demo/originals/${file}`).metadata();
      const side = Math.round(Math.min(width, height) * (0.42 + 0.04 * (i % 5)));
      const left = Math.round(((width - side) * ((i * 5) % 12)) / 12);
      const top = Math.round(((height - side) * ((i * 7) % 12)) / 12);
      const buffer = await sharp(`demo/originals/${file}`)
        .extract({ left, top, width: side, height: side })
        .jpeg({ quality: 92 })
        .toBuffer();
      return { name: `night ${i + 1}.jpg`, mimeType: 'image/jpeg', buffer };
    }),
  );

await withDemoPage(async (page, url) => {
  const shot = (name) => page.screenshot({ path: `docs/screenshots/${name}.png` });
  const exact = async () => {
    await page.waitForTimeout(300);
    await page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  };
  const open = async (name) => {
    // A window shows a job as it showed it last; pictures begin anew.
    await page.evaluate(() => sessionStorage.clear()).catch(() => undefined);
    await page.goto(`${url}/`);
    await page.getByRole('link', { name: `Open ${name}` }).click();
    await page.getByRole('complementary', { name: 'Docket' }).waitFor();
    await exact();
    await page.waitForFunction(() => !document.body.textContent.includes('counting…'), null, {
      timeout: 180_000,
    });
  };
  await page.goto(`${url}/`);
  await page.waitForFunction(
    () =>
      document.images.length > 3 && [...document.images].every((one) => one.complete && one.naturalWidth > 0),
    undefined,
    { timeout: 120_000 },
  );
  await shot('job-board');

  await open('Moon over the reeds');
  await page.mouse.move(905, 360);
  await page.keyboard.down('l');
  await page.waitForTimeout(1500);
  await shot('light-table');
  await page.keyboard.up('l');

  await open('Members’ ticket');
  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Those most printers ask for' }).click();
  for (const name of ['Solids and overprints', 'Ink names', 'Ruler', 'Centre marks'])
    await page.getByRole('switch', { name }).click();
  await page.getByRole('radio', { name: 'Film', exact: true }).click();
  await page.getByText(/about .*kB/).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Make films' }).first().click();
  await page
    .getByRole('link', { name: /\.tif$/ })
    .first()
    .waitFor({ timeout: 120_000 });
  await page.getByText('Marks', { exact: true }).scrollIntoViewIfNeeded();
  await exact();
  await shot('films');
  // Later pictures show it as it ships.
  await page.getByRole('button', { name: 'None' }).click();
  await page.getByText('saved', { exact: true }).waitFor();

  await open('Low tide card');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^Curve/ }).click();
  await page.waitForTimeout(1500);
  await shot('tone');

  await open('Open night banner');
  await page.keyboard.press('1');
  await page.locator('button[title^="OPEN NIGHT"]').click();
  await exact();
  await shot('lettering');

  await open('Moon over the reeds');
  await page.keyboard.press('4');
  await page.getByRole('button', { name: 'Test strip of ruling' }).click();
  await page.getByRole('radio', { name: 'The same patch' }).click();
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[aria-label^="Take "][data-sharpness]')].every(
      (band) => band.dataset.sharpness === 'exact',
    ),
  );
  await shot('test-strip');

  await open('Season leaflet');
  await page.getByRole('radio', { name: 'Product' }).click();
  await page.locator('[data-testid=product-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  await page.waitForTimeout(500);
  await shot('product');

  const drawn = (count) =>
    page.waitForFunction(
      (least) => [...document.images].filter((one) => one.naturalWidth > 0).length >= least,
      count,
      { timeout: 120_000 },
    );
  await page.goto(`${url}/treatments`);
  await drawn(12);
  await page.waitForTimeout(1500);
  await shot('treatments');

  await page.goto(`${url}/`);
  await page.getByLabel('Choose a picture').setInputFiles('demo/originals/marsh-at-dusk.jpg');
  await page.getByRole('list', { name: 'Treatments' }).waitFor();
  await drawn(13);
  await page.waitForTimeout(500);
  await shot('first-look');

  await open('Open Night poster');
  await page.getByRole('link', { name: 'Series' }).click();
  await page.getByLabel('Choose pictures or a table').setInputFiles(await seriesOf(12));
  await page.getByRole('list', { name: 'Contact sheet' }).waitFor();
  await drawn(13);
  await page.waitForTimeout(500);
  await shot('series');

  await page.goto(`${url}/handbook/looks/engraved-portrait`);
  await drawn(2);
  await page.waitForTimeout(500);
  await shot('handbook');

  await open('Open Night poster');
  await page.keyboard.press('5');
  await page.waitForFunction(
    () => !/checking/.test(document.querySelector('[aria-label="Press check"]')?.textContent ?? 'checking'),
    null,
    { timeout: 120_000 },
  );
  await page.getByRole('list', { name: 'Findings' }).scrollIntoViewIfNeeded();
  await page
    .getByRole('button', { name: /^Try: Spread/ })
    .first()
    .click();
  await page.waitForTimeout(4000);
  await shot('press');

  await open('Season leaflet');
  await page.keyboard.press('5');
  await page
    .getByRole('complementary', { name: 'Docket' })
    .getByRole('button', { name: '75°', exact: true })
    .click();
  await page.getByRole('textbox', { name: 'Angle on the dial' }).fill('50');
  await page.getByRole('textbox', { name: 'Angle on the dial' }).press('Enter');
  await page.waitForTimeout(2500);
  await exact();
  await shot('angles');

  await page.goto(`${url}/presses`);
  await page.waitForTimeout(800);
  await shot('press-room');

  const [press] = await (await fetch(`${url}/api/shelf/presses`)).json();
  const [calibration] = await (await fetch(`${url}/api/calibrations`)).json();
  await page.goto(`${url}/presses/${press.id}/calibrations/${calibration.id}`);
  await page.getByRole('tab', { name: 'Lantern' }).click();
  await page.waitForFunction(
    () => document.querySelector('img[alt="Printed target"]')?.naturalWidth > 0,
    null,
    { timeout: 60_000 },
  );
  await page.waitForTimeout(500);
  await shot('calibration');

  await page.goto(`${url}/storage`);
  await page.getByRole('row', { name: 'Films' }).waitFor();
  await shot('storage');
});

// A studio, and a client with a proof of it.
const shared = {
  BRACHYTONE_SHARED: 'on',
  BRACHYTONE_SECRET: 'of the pictures of the interface, and of nothing else',
  BRACHYTONE_URL: 'http://127.0.0.1:4298',
};
await withDemoPage(async (page, url, browser, printed) => {
  const shot = (name, of = page) => of.screenshot({ path: `docs/screenshots/${name}.png` });
  const passphrase = 'four words or so here';
  const another = async () =>
    (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const comeIn = async (to, link, name) => {
    await to.goto(link);
    await to.getByLabel('Your name').fill(name);
    await to.getByLabel('Passphrase').fill(passphrase);
    await to.getByRole('button', { name: 'Come in' }).click();
    await to.getByRole('button', { name }).waitFor();
  };
  await page.goto(`${url}/`);
  await page.getByLabel('Name').fill('Olga Reed');
  await page.waitForTimeout(500);
  await shot('sign-in');

  await comeIn(page, /\S+\/welcome#\S+/.exec(printed)[0], 'Olga Reed');
  const invite = async (name, role) => {
    await page.getByLabel('Whom to invite').fill(name);
    await page.getByLabel('Role to invite as').selectOption(role);
    await page.getByRole('button', { name: 'Invite' }).click();
    const link = await page.getByLabel('The link', { exact: true }).inputValue();
    return link;
  };
  await page.getByRole('link', { name: 'People' }).click();
  const marek = await another();
  await comeIn(marek, await invite('Marek Lund', 'maker'), 'Marek Lund');
  await page.getByRole('button', { name: 'Done' }).click();
  await comeIn(await another(), await invite('Vera Holm', 'viewer'), 'Vera Holm');
  await page.getByRole('button', { name: 'Done' }).click();
  await marek.getByRole('link', { name: 'Open Season leaflet' }).click();
  await marek.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  await marek.getByRole('button', { name: 'Client' }).click();
  await marek.getByLabel('Whom the proof is for').fill('Cleo Ash');
  await marek.getByRole('button', { name: 'Make a link' }).click();
  const link = await marek.getByLabel('The link', { exact: true }).inputValue();

  const cleo = await another();
  await cleo.goto(link);
  const whole = cleo.locator('[data-testid=proof-canvas][data-whole=true]');
  await whole.waitFor({ timeout: 60_000 });
  const { x, y, width, height } = await cleo.getByRole('group', { name: 'Proof' }).boundingBox();
  const say = async (text, across, down) => {
    await cleo.getByRole('button', { name: 'Pin to a place' }).click();
    await cleo.mouse.click(x + width * across, y + height * down);
    await cleo.getByLabel('Comment', { exact: true }).fill(text);
    await cleo.getByRole('button', { name: 'Send' }).click();
    await cleo.getByText(text).waitFor();
  };
  await say('Could the reeds have a little more light?', 0.42, 0.5);
  await say('Lovely sky.', 0.56, 0.2);
  const table = marek.getByRole('complementary', { name: 'Beside the table' });
  await table.getByLabel('Reply to Cleo Ash').fill('Yes: half a stop, in the next proof.');
  await table.getByRole('button', { name: 'Send' }).click();
  await cleo.getByText('half a stop').waitFor({ timeout: 30_000 });
  await cleo.getByRole('button', { name: 'Loupe' }).click();
  await cleo.mouse.move(x + width * 0.62, y + height * 0.36);
  await cleo.waitForTimeout(4000);
  await shot('proof-link', cleo);

  await page.reload();
  await page.getByRole('list', { name: 'Sessions' }).getByText('Marek Lund').waitFor();
  await page.waitForTimeout(500);
  await shot('people');
}, shared);
