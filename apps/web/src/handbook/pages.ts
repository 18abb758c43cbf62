import Slugger from 'github-slugger';

/** A page of the handbook. */
export interface HandbookPage {
  /** Its address below /handbook. */
  readonly path: string;
  readonly title: string;
  /** Markdown. */
  readonly text: string;
}

/** A heading of a page, with what stands under it. */
export interface HandbookPlace {
  readonly id: string;
  readonly page: string;
  /** Id of the heading on its page; empty for the page itself. */
  readonly anchor: string;
  readonly title: string;
  readonly pageTitle: string;
  readonly text: string;
}

const FILES = import.meta.glob<string>('../../../../docs/handbook/**/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});

/** Addresses of the handbook's pictures, by file name. */
export const PICTURES: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(
    import.meta.glob<string>('../../../../docs/handbook/pictures/*.webp', {
      query: '?url',
      import: 'default',
      eager: true,
    }),
  ).map(([path, url]) => [path.slice(path.lastIndexOf('/') + 1), url]),
);

const titleOf = (text: string): string => /^# (.+)$/m.exec(text)?.[1] ?? '';

/** Pages in the order of the work; looks follow, by name. */
const ORDER = ['ways', 'original', 'tone', 'inks', 'screens', 'press', 'films', 'proof', 'facts'];

const all = Object.entries(FILES).map(([file, text]): HandbookPage => {
  const path = file.slice(file.indexOf('/handbook/') + '/handbook/'.length, -'.md'.length);
  return { path, title: titleOf(text), text };
});

export const PAGES: readonly HandbookPage[] = ORDER.flatMap((path) => all.filter((one) => one.path === path));
export const LOOKS: readonly HandbookPage[] = all
  .filter(({ path }) => path.startsWith('looks/'))
  .sort((a, b) => a.title.localeCompare(b.title, 'en'));

export const pageAt = (path: string): HandbookPage | undefined => all.find((one) => one.path === path);

const plain = (text: string): string =>
  text.replace(/!?\[([^\]]*)\]\([^)]*\)/g, '$1').replace(/[*_`#|]/g, '');

/** Every heading of every page, with what stands under it. */
export const PLACES: readonly HandbookPlace[] = [...PAGES, ...LOOKS].flatMap(({ path, title, text }) => {
  const slugs = new Slugger();
  return text
    .split(/^(?=#{1,3} )/m)
    .filter((part) => part.startsWith('#'))
    .map((part): HandbookPlace => {
      const [heading, ...rest] = part.split('\n');
      const name = plain(heading).trim();
      const slug = slugs.slug(name);
      const anchor = heading.startsWith('# ') ? '' : slug;
      return {
        id: `${path}#${anchor}`,
        page: path,
        anchor,
        title: name,
        pageTitle: title,
        text: plain(rest.join(' ')).replace(/\s+/g, ' ').trim(),
      };
    });
});

/**
 * The address of what is called by a name: its heading on a page, first of all on that one; the page itself where there is no such heading.
 */
export function addressOf(name: string, page: string): string {
  const slug = new Slugger().slug(name);
  const found =
    PLACES.find((one) => one.page === page && one.anchor === slug) ??
    PLACES.find(({ anchor }) => anchor === slug);
  return found ? `/handbook/${found.page}#${found.anchor}` : `/handbook/${page}`;
}
