import { expect, type Browser, type Page } from '@playwright/test';
import { Server } from './server.ts';

/** A server that people sign in to. */
export const studioServer = (port: number, demo = false): Server =>
  new Server(port, demo, {
    BRACHYTONE_SHARED: 'on',
    BRACHYTONE_SECRET: 'of the interface tests, and of nothing else',
    BRACHYTONE_URL: `http://127.0.0.1:${port}`,
  });

export const PASSPHRASE = 'four words or so here';

/** Follows a link in a browser of one's own, and is signed in. */
export async function comeIn(browser: Browser, link: string, name: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(link);
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('button', { name })).toBeVisible();
  return page;
}

/** The first one in, who becomes the owner. */
export async function owner(browser: Browser, server: Server): Promise<Page> {
  await expect.poll(() => /\S+\/welcome#\S+/.exec(server.printed)?.[0]).toBeTruthy();
  return comeIn(browser, /\S+\/welcome#\S+/.exec(server.printed)?.[0] ?? '', 'Olga Reed');
}

/** Somebody an owner invites. */
export async function invited(browser: Browser, by: Page, name: string, role: string): Promise<Page> {
  await by.getByRole('link', { name: 'People' }).click();
  await by.getByLabel('Whom to invite').fill(name);
  await by.getByLabel('Role to invite as').selectOption(role);
  await by.getByRole('button', { name: 'Invite' }).click();
  const link = await by.getByLabel('The link', { exact: true }).inputValue();
  await by.getByRole('button', { name: 'Done' }).click();
  return comeIn(browser, link, name);
}
