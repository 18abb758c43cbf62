import { Link } from 'react-router';
import { TopBar } from './top-bar.tsx';

export function NotHere({ what = 'page' }: { what?: string }) {
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="m-10">
        <h1 className="text-2xl">There is no such {what} here</h1>
        <p className="mt-2 text-soft">It may have been put away or deleted.</p>
        <Link className="mt-4 inline-block underline" to="/">
          Back to the job board
        </Link>
      </main>
    </div>
  );
}
