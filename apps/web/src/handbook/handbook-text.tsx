import type { AnchorHTMLAttributes } from 'react';
import Markdown from 'react-markdown';
import { Link } from 'react-router';
import rehypeSlug from 'rehype-slug';
import remarkGfm from 'remark-gfm';
import { PICTURES, type HandbookPage } from './pages.ts';

/** Where a link between pages leads: they name one another's files. */
function addressWithin(page: string, href: string): string {
  const [file, anchor] = href.split('#');
  if (file === '') return `/handbook/${page}#${anchor}`;
  const from = page.includes('/') ? page.slice(0, page.lastIndexOf('/') + 1) : '';
  const path = new URL(file, `http://h/${from}`).pathname.slice(1).replace(/\.md$/, '');
  return `/handbook/${path}${anchor ? `#${anchor}` : ''}`;
}

/** A page of the handbook, set. */
export function HandbookText({ page }: { page: HandbookPage }) {
  return (
    <article className="handbook">
      <Markdown
        remarkPlugins={[remarkGfm]}
        rehypePlugins={[rehypeSlug]}
        components={{
          a: ({ href = '', children }: AnchorHTMLAttributes<HTMLAnchorElement>) => (
            <Link to={addressWithin(page.path, href)}>{children}</Link>
          ),
          img: ({ src, alt }) => (
            <img src={PICTURES[String(src).split('/').at(-1) ?? '']} alt={alt} loading="lazy" />
          ),
        }}
      >
        {page.text}
      </Markdown>
    </article>
  );
}
