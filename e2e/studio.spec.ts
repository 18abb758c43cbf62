import type { JobView } from '@brachytone/job';
import { expect, test, type Page } from '@playwright/test';
import { dropFile, exact, softPicture, startPlain } from './pictures.ts';
import { invited, owner, PASSPHRASE, studioServer } from './studio-people.ts';

const server = studioServer(4307);
// Each goes on from the last.
test.describe.configure({ mode: 'serial' });
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** The open job, as the server has it, asked by a page that is signed in. */
const jobOf = (page: Page): Promise<JobView> =>
  page.evaluate(async () => (await fetch(`/api/jobs/${location.pathname.split('/')[2]}`)).json() as never);

const number = async (page: Page, label: string, value: number) => {
  const field = page.getByRole('textbox', { name: label, exact: true });
  await field.fill(String(value));
  await field.press('Enter');
};
const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText('saved');

test('two work at one job: each sees the other, and two hundred edits of each are all there', async ({
  browser,
}) => {
  // Four hundred values typed by hand.
  test.setTimeout(1_200_000);
  const olga = await owner(browser, server);
  const marek = await invited(browser, olga, 'Marek Lund', 'maker');
  await olga.getByRole('link', { name: 'Job board', exact: true }).click();
  await dropFile(olga, 'tide.png', await softPicture(300, 300));
  await startPlain(olga);
  await exact(olga);
  // It is on the other one's board at once, with who has it open.
  const card = marek.getByRole('listitem').filter({ has: marek.getByRole('link', { name: 'Open tide' }) });
  await expect(card.getByRole('status', { name: 'Also here' })).toHaveText('OR');
  await card.getByRole('link', { name: 'Open tide' }).click();
  await expect(olga.getByRole('status', { name: 'Also here' })).toHaveText('Marek Lund');
  await expect(marek.getByRole('status', { name: 'Also here' })).toHaveText('Olga Reed');
  await marek.goto(marek.url().replace('/screens', '/original'));
  await exact(marek);

  const edits = 200;
  // Each sets parts of the job that the other one leaves alone; the values are any.
  const edit = async (page: Page, parts: readonly (readonly [string, number])[]): Promise<number[]> => {
    const last = parts.map(() => 0);
    for (let i = 0; i < edits; i++) {
      const at = i % parts.length;
      const [label, from] = parts[at];
      last[at] = from + ((i * 7) % 41) / 10;
      await number(page, label, last[at]);
    }
    return last;
  };
  const [ofOlga, ofMarek] = await Promise.all([
    edit(olga, [
      ['Ruling, number', 20],
      ['Angle, number', 20],
    ]),
    edit(marek, [
      ['Sheet width', 60],
      ['Bleed', 1],
    ]),
  ]);
  await Promise.all([saved(olga), saved(marek)]);
  const { document, steps, position } = await jobOf(olga);
  expect(document.recipe.plates[0].screen).toMatchObject({
    settings: { ruling: ofOlga[0], angle: ofOlga[1] },
  });
  expect(document.recipe.sheet).toMatchObject({ width: ofMarek[0], bleed: ofMarek[1] });
  expect(position).toBe(steps.length);
  const by = (name: string) => steps.filter((step) => step.by === name).length;
  expect([by('Olga Reed'), by('Marek Lund')]).toEqual([edits, edits]);
});

test('what both change is shown side by side, and either is taken', async ({ browser }) => {
  const olga = await signedIn(browser, 'Olga Reed');
  const marek = await signedIn(browser, 'Marek Lund');
  for (const page of [olga, marek]) {
    await page.getByRole('link', { name: 'Open tide' }).click();
    await exact(page);
  }
  // Both before either knows of the other.
  await marek.context().setOffline(true);
  await number(marek, 'Ruling, number', 33);
  await number(olga, 'Ruling, number', 44);
  await saved(olga);
  await marek.context().setOffline(false);
  const table = marek.getByRole('table', { name: 'What both changed' });
  await expect(table.getByRole('row', { name: /ruling/ })).toContainText(/33.*44/);
  await expect(table).toContainText('Olga Reed');
  await marek.getByRole('button', { name: 'Keep this window’s' }).click();
  await saved(marek);
  // The other one has it too, without a hand moved.
  await expect(olga.getByRole('textbox', { name: 'Ruling, number' })).toHaveValue('33 lpi');
});

test('a client opens a link, says what is wrong at its place, and approves; the table hears of it', async ({
  browser,
}) => {
  const olga = await signedIn(browser, 'Olga Reed');
  await olga.getByRole('link', { name: 'Open tide' }).click();
  await exact(olga);
  await olga.getByRole('button', { name: 'Client' }).click();
  await olga.getByLabel('Whom the proof is for').fill('Cleo Ash');
  await olga.getByRole('button', { name: 'Make a link' }).click();
  const link = await olga.getByLabel('The link', { exact: true }).inputValue();
  const cleo = await (await browser.newContext()).newPage();
  await cleo.goto(link);
  const whole = cleo.locator('[data-testid=proof-canvas][data-whole=true]');
  await whole.waitFor();
  // A page of its own: nothing of the tool is on it, and nothing but the proof was asked for.
  await expect(cleo.getByText('Brachytone')).toHaveCount(0);
  const asked = await cleo.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .flatMap(({ name }) => new URL(name).pathname.match(/^\/api\/.*/) ?? []),
  );
  expect(asked.filter((path) => !path.startsWith('/api/proof'))).toEqual([]);
  await cleo.getByRole('button', { name: 'Pin to a place' }).click();
  const { x, y, width, height } = (await cleo.getByRole('group', { name: 'Proof' }).boundingBox())!;
  await cleo.mouse.click(x + width / 2, y + height / 2);
  await cleo.getByLabel('Comment', { exact: true }).fill('Lighter here');
  await cleo.getByRole('button', { name: 'Send' }).click();
  // Pinned to the middle of the sheet, in mm, and on the table at once.
  const pin = olga.getByRole('group', { name: 'Clients’ comments' }).locator('circle');
  await expect(pin).toHaveCount(1);
  const table = olga.getByRole('complementary', { name: 'Beside the table' });
  await expect(table.getByText('Lighter here')).toBeVisible();
  await table.getByLabel('Reply to Cleo Ash').fill('It is now');
  await table.getByRole('button', { name: 'Send' }).click();
  await table.getByLabel('seen to').click();
  await expect(table.getByLabel('seen to')).toBeChecked();
  await expect(cleo.getByText('It is now')).toBeVisible();
  // Nearer and nearer, to every dot.
  for (let step = 0; step < 12; step++) {
    const nearer = cleo.getByRole('button', { name: 'Nearer' });
    if (await nearer.isDisabled()) break;
    await nearer.click();
  }
  await expect(cleo.getByText('Every dot, 8 times as large')).toBeVisible();
  await whole.waitFor();
  await cleo.getByRole('button', { name: 'Approve' }).click();
  await expect(cleo.getByRole('region', { name: 'Answer' })).toContainText('Approved');
  await expect(table).toContainText('Approved by Cleo Ash');
  await number(olga, 'Ruling, number', 34);
  await saved(olga);
  await expect(table).toContainText('its films are not the approved ones');
  await table.getByRole('button', { name: 'Withdraw' }).click();
  await cleo.reload();
  await expect(cleo.getByRole('alert')).toContainText('withdrawn');
  await number(olga, 'Ruling, number', 33);
  await saved(olga);
});

test('a viewer looks, and changes nothing', async ({ browser }) => {
  const olga = await signedIn(browser, 'Olga Reed');
  const vera = await invited(browser, olga, 'Vera Holm', 'viewer');
  await vera.getByRole('link', { name: 'Open tide' }).click();
  await exact(vera);
  await number(vera, 'Ruling, number', 61);
  await expect(vera.getByText('You are a viewer here')).toBeVisible();
  expect((await jobOf(vera)).document.recipe.plates[0].screen).toMatchObject({ settings: { ruling: 33 } });
});

test('whose session is ended is at the door, and what was not saved is there afterwards', async ({
  browser,
}) => {
  const olga = await signedIn(browser, 'Olga Reed');
  const marek = await signedIn(browser, 'Marek Lund');
  await marek.getByRole('link', { name: 'Open tide' }).click();
  await exact(marek);
  await olga.getByRole('link', { name: 'People' }).click();
  const ends = olga
    .getByRole('list', { name: 'Sessions' })
    .getByRole('listitem')
    .filter({ hasText: 'Marek Lund' });
  await expect(ends.first()).toBeVisible();
  for (let left = await ends.count(); left > 0; left--) {
    await ends.first().getByRole('button', { name: 'Sign out' }).click();
    await expect(ends).toHaveCount(left - 1);
  }
  await number(marek, 'Ruling, number', 55);
  await expect(marek.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await fillDoor(marek, 'Marek Lund');
  await expect(marek.getByRole('textbox', { name: 'Ruling, number' })).toHaveValue('55 lpi');
  await saved(marek);
  expect((await jobOf(marek)).document.recipe.plates[0].screen).toMatchObject({ settings: { ruling: 55 } });
});

async function fillDoor(page: Page, name: string): Promise<void> {
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

async function signedIn(browser: Parameters<typeof owner>[0], name: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(server.url);
  await fillDoor(page, name);
  await expect(page.getByRole('button', { name })).toBeVisible();
  return page;
}
