import { useEffect, useState } from 'react';
import { Link, NavLink, useLocation, useParams } from 'react-router';
import { NotHere } from '../shell/not-here.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { HandbookText } from './handbook-text.tsx';
import { LOOKS, PAGES, pageAt, type HandbookPage as Page } from './pages.ts';
import { searchHandbook } from './search.ts';

const FIRST = 'ways';

/** The handbook: a page for every stage and every look, to be searched. */
export function HandbookPage() {
  const { '*': path = '' } = useParams();
  const { hash } = useLocation();
  const [words, setWords] = useState('');
  const page = pageAt(path || FIRST);
  const found = words.trim() === '' ? undefined : searchHandbook(words);
  useEffect(() => {
    if (page) document.title = `${page.title} · Handbook · Brachytone`;
    return () => {
      document.title = 'Brachytone';
    };
  }, [page]);
  useEffect(() => {
    const place = hash ? document.getElementById(decodeURIComponent(hash.slice(1))) : null;
    if (place) place.scrollIntoView({ block: 'start' });
    else document.getElementById('handbook-page')?.scrollTo(0, 0);
  }, [hash, path]);
  if (!page) return <NotHere what="page of the handbook" />;
  return (
    <div className="flex h-full flex-col">
      <TopBar>
        <input
          type="search"
          aria-label="Search the handbook"
          placeholder="search the handbook…"
          className="figures h-[26px] w-[220px] rounded-sm border border-edge bg-white px-2 placeholder:text-soft"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </TopBar>
      <div className="flex min-h-0 grow">
        <nav
          aria-label="Handbook"
          className="w-[252px] shrink-0 overflow-y-auto border-r border-edge bg-card py-5"
        >
          <Pages title="Handbook" pages={PAGES} />
          <Pages title="Looks" pages={LOOKS} />
        </nav>
        <main id="handbook-page" tabIndex={0} className="grow overflow-y-auto px-12 py-8">
          {found ? (
            <Found words={words} found={found} close={() => setWords('')} />
          ) : (
            <HandbookText page={page} />
          )}
        </main>
      </div>
    </div>
  );
}

const Pages = ({ title, pages }: { title: string; pages: readonly Page[] }) => (
  <section className="mb-5">
    <h2 className="px-5 pb-1 text-[12.5px] text-soft">{title}</h2>
    <ul>
      {pages.map(({ path, title: name }) => (
        <li key={path}>
          <NavLink
            to={`/handbook/${path}`}
            className={({ isActive }) =>
              `block truncate px-5 py-[3px] ${isActive ? 'bg-ink text-raised' : 'hover:bg-raised'}`
            }
          >
            {name}
          </NavLink>
        </li>
      ))}
    </ul>
  </section>
);

function Found({
  words,
  found,
  close,
}: {
  words: string;
  found: ReturnType<typeof searchHandbook>;
  close: () => void;
}) {
  return (
    <section aria-label="Found" className="max-w-[680px]">
      {found.length === 0 && <p className="text-soft">Nothing in the handbook is about “{words}”.</p>}
      <ul>
        {found.map(({ id, page, anchor, title, pageTitle, text }) => (
          <li key={id} className="mb-4">
            <Link
              to={`/handbook/${page}${anchor ? `#${anchor}` : ''}`}
              className="font-semibold hover:underline"
              onClick={close}
            >
              {title}
            </Link>
            {title !== pageTitle && <span className="text-soft"> · {pageTitle}</span>}
            <p className="line-clamp-2 text-soft">{text}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
