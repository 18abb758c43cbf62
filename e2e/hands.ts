import type { Locator, Page } from '@playwright/test';
import { exact } from './pictures.ts';

/** A person's hands on a page: every click, choice, drag and typed value is an action, and is counted. */
export class Hands {
  actions = 0;

  constructor(readonly page: Page) {}

  async press(target: Locator): Promise<void> {
    this.actions++;
    await target.click();
  }

  /** Presses a button, or anything else of a role, by its name. */
  async button(name: string | RegExp, role: 'button' | 'radio' | 'switch' | 'menuitem' = 'button') {
    const target = this.page.getByRole(role, typeof name === 'string' ? { name, exact: true } : { name });
    await this.press(target.first());
  }

  async choose(label: string, value: string | { label: string }): Promise<void> {
    this.actions++;
    await this.page.getByLabel(label, { exact: true }).selectOption(value);
  }

  /** Types a value and takes it with Enter. */
  async type(label: string, value: string): Promise<void> {
    this.actions++;
    const field = this.page.getByRole('textbox', { name: label, exact: true });
    await field.fill(value);
    await field.press('Enter');
  }

  async key(key: string): Promise<void> {
    this.actions++;
    await this.page.keyboard.press(key);
  }

  /** Gives a file where one is asked for. */
  async file(ask: () => Promise<void>, file: string | { name: string; mimeType: string; buffer: Buffer }) {
    const chosen = this.page.waitForEvent('filechooser');
    await ask();
    await (await chosen).setFiles(file);
  }

  /** Points at a place of the sheet, in shares of the table: a click, or a drag through several. */
  async point(...places: readonly (readonly [number, number])[]): Promise<void> {
    this.actions++;
    const box = await this.page.getByRole('main', { name: 'Light table' }).boundingBox();
    if (!box) throw new Error('There is no table.');
    const at = ([x, y]: readonly [number, number]) =>
      [box.x + x * box.width, box.y + y * box.height] as const;
    await this.page.mouse.move(...at(places[0]));
    await this.page.mouse.down();
    for (const place of places.slice(1)) await this.page.mouse.move(...at(place), { steps: 4 });
    await this.page.mouse.up();
  }

  /** Waits until what is shown is the film's very dots. */
  async seen(): Promise<void> {
    await this.page.waitForTimeout(150);
    await exact(this.page);
  }
}
