import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { ROUTES, SCREEN_KINDS, STEP_KINDS } from '@brachytone/core';
import { SHIPPED_TREATMENTS } from '@brachytone/job';
import Slugger from 'github-slugger';

const FOLDER = 'docs/handbook';
const pages = new Map(
  filesOf(FOLDER).map((file) => [file.slice(FOLDER.length + 1, -3), readFileSync(file, 'utf8')] as const),
);

/** Files of an ending in a folder and those below it. */
function filesOf(folder: string, ending = '.md'): string[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith(ending))
    .map((name) => join(folder, name));
}

const headingsOf = (text: string): string[] => [...text.matchAll(/^#{1,3} (.+)$/gm)].map(([, name]) => name);
const allHeadings = new Set([...pages.values()].flatMap(headingsOf));

describe('the handbook', () => {
  it('has a page, with a picture, for every treatment that ships, under its name', () => {
    for (const { id, name } of SHIPPED_TREATMENTS) {
      const text = pages.get(`looks/${id}`);
      expect({ id, title: text && headingsOf(text)[0] }).toEqual({ id, title: name });
      expect(text).toContain(`../pictures/${id}.webp`);
      expect(existsSync(join(FOLDER, 'pictures', `${id}.webp`))).toBe(true);
      for (const part of ['How it is made.', 'On the press.']) expect(text).toContain(part);
    }
    const looks = [...pages.keys()].filter((path) => path.startsWith('looks/')).map((path) => basename(path));
    expect(looks.sort()).toEqual(SHIPPED_TREATMENTS.map(({ id }) => id).sort());
  });

  it('has a picture on the page of every stage', () => {
    for (const [path, text] of pages)
      if (!path.includes('/') && path !== 'facts')
        expect({ path, shows: text.includes(`](pictures/${path}.webp)`) }).toEqual({ path, shows: true });
  });

  it('tells of every tone step, screen and route, on the page of its stage', () => {
    const on = (page: string) => headingsOf(pages.get(page)!);
    for (const { name } of STEP_KINDS) expect(on('tone')).toContain(name);
    for (const { name } of SCREEN_KINDS) expect(on('screens')).toContain(name);
    for (const { name } of Object.values(ROUTES)) expect(on('inks')).toContain(name);
  });

  it('tells of every group of controls of a job', () => {
    const controls = filesOf('apps/web/src/light-table/docket', '.tsx');
    const names = controls.flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/<Group\s+name="([^"]+)"/g)].map(([, name]) => name),
    );
    expect(names.length).toBeGreaterThan(20);
    expect(names.filter((name) => !allHeadings.has(name))).toEqual([]);
  });

  it('has no link that leads nowhere', () => {
    const dead: string[] = [];
    for (const [path, text] of pages)
      for (const [, href] of text.matchAll(/\]\(([^)]+)\)/g)) {
        const [file, anchor] = href.split('#');
        if (file.endsWith('.webp')) {
          if (!existsSync(join(FOLDER, dirname(path), file))) dead.push(`${path}: ${href}`);
          continue;
        }
        const target = file === '' ? path : join(dirname(path), file.replace(/\.md$/, ''));
        const slugs = new Slugger();
        const anchors = headingsOf(pages.get(target) ?? '').map((name) => slugs.slug(name));
        if (!pages.has(target) || (anchor !== undefined && !anchors.includes(anchor)))
          dead.push(`${path}: ${href}`);
      }
    expect(dead).toEqual([]);
  });
});
