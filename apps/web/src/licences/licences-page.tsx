import { useEffect, useState } from 'react';
import { TopBar } from '../shell/top-bar.tsx';

/** A package or typeface that ships with the program. */
interface Licence {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
  readonly text: string;
}

/** Licences of all that ships with the program, with their notices. */
export function LicencesPage() {
  const [all, setAll] = useState<readonly Licence[]>();
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    fetch('/licences.json')
      .then((answer) => answer.json())
      .then((read: Licence[]) => setAll(read))
      .catch(() => setFailed(true));
  }, []);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 pt-6 pb-10">
        <h1 className="text-[21px]">Licences</h1>
        <p className="mt-1 max-w-[720px] text-soft">
          Brachytone is made with the work of others. These are the packages and typefaces that ship with it,
          with their licences and notices.
        </p>
        {failed && (
          <p className="mt-4 text-ruby">The list is made when Brachytone is built; it is not here.</p>
        )}
        <ul className="mt-4 max-w-[900px] border-t border-edge">
          {all?.map(({ name, version, licence, text }) => (
            <li key={`${name} ${version}`} className="border-b border-edge py-1.5">
              {text ? (
                <details>
                  <summary className="cursor-pointer">
                    <Line name={name} version={version} licence={licence} />
                  </summary>
                  <pre className="figures mt-2 overflow-x-auto bg-raised p-3 whitespace-pre-wrap">{text}</pre>
                </details>
              ) : (
                <div className="pl-[17px]">
                  <Line name={name} version={version} licence={licence} />
                </div>
              )}
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}

const Line = ({ name, version, licence }: Omit<Licence, 'text'>) => (
  <span className="inline-flex w-[calc(100%-20px)] gap-3 align-bottom">
    <span>{name}</span>
    <span className="figures text-soft">{version}</span>
    <span className="figures ml-auto text-soft">{licence}</span>
  </span>
);
