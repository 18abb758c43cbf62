import type { ClientProof, SheetPlace } from '@brachytone/job';
import { useCallback, useEffect, useState } from 'react';
import { Button } from '../controls/button.tsx';
import { Segmented } from '../controls/segmented.tsx';
import { dayWords } from '../words/day.ts';
import { AnswerCard } from './answer-card.tsx';
import { askProof } from './ask.ts';
import { Comments, Pin } from './comments.tsx';
import { ProductView } from './product-view.tsx';
import { SheetView } from './sheet-view.tsx';
import { useName } from './use-name.ts';

/** So often it is asked whether more was said, ms. */
const ASKS_EVERY = 10_000;

/** A proof, as whoever has its link sees it. */
export function ProofPage() {
  const [proof, setProof] = useState<ClientProof>();
  const [failed, setFailed] = useState('');
  const load = useCallback(async () => {
    try {
      setProof(await askProof());
      setFailed('');
    } catch (error) {
      setFailed((error as Error).message);
    }
  }, []);
  useEffect(() => {
    void load();
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') void load();
    }, ASKS_EVERY);
    return () => clearInterval(timer);
  }, [load]);
  useEffect(() => {
    if (proof) document.title = `Proof: ${proof.job}`;
  }, [proof]);
  if (!proof)
    return failed ? (
      <p role="alert" className="mx-auto mt-[30vh] max-w-[420px] text-[15px] leading-6">
        {failed}
      </p>
    ) : null;
  // Another state is another proof: it is looked at from the beginning.
  return <Shown key={proof.recipe} proof={proof} failed={failed} load={load} />;
}

type Seen = 'print' | 'before' | 'product';
const SEEN = [
  { value: 'print', label: 'Print', title: 'As it will be printed, dot for dot' },
  { value: 'before', label: 'Before', title: 'The originals, before there were dots' },
  { value: 'product', label: 'In use', title: 'On what it is printed on' },
] as const;

function Shown({ proof, failed, load }: { proof: ClientProof; failed: string; load: () => Promise<void> }) {
  const [seen, setSeen] = useState<Seen>('print');
  const [hasLoupe, setLoupe] = useState(false);
  const [isPinning, setPinning] = useState(false);
  const [place, setPlace] = useState<SheetPlace | null>(null);
  const [name, setName] = useName(proof.meant);
  const { sheet, inks, stock } = proof;
  const pin = (on: boolean) => {
    setPinning(on);
    if (!on) setPlace(null);
    else if (seen === 'product') setSeen('print');
  };
  return (
    <div className="flex h-full flex-col bg-raised">
      <header className="flex h-16 shrink-0 items-center gap-6 border-b border-edge px-6">
        <div className="min-w-0">
          <h1 className="truncate text-[19px] leading-6">{proof.job}</h1>
          <p className="truncate text-soft">
            Proof for {proof.meant}, of {dayWords(proof.shown)}. {round(sheet.width)} × {round(sheet.height)}{' '}
            mm, {stock.name.toLowerCase()}
          </p>
        </div>
        <ul aria-label="Inks" className="ml-auto flex min-w-0 flex-wrap justify-end gap-x-4">
          {inks.map((ink) => (
            <li key={ink.name} className="flex items-center gap-1.5">
              <span className="size-3 rounded-full border border-ink/20" style={{ background: ink.colour }} />
              {ink.name}
            </li>
          ))}
        </ul>
        <Button
          aria-pressed={hasLoupe}
          disabled={seen === 'product'}
          onClick={() => setLoupe(!hasLoupe)}
          className={hasLoupe ? '!border-ink' : ''}
        >
          Loupe
        </Button>
        <Segmented label="What is seen" value={seen} options={SEEN} onChange={setSeen} />
      </header>
      <div className="flex min-h-0 grow max-md:flex-col">
        {seen === 'product' ? (
          <ProductView proof={proof} />
        ) : (
          <SheetView
            proof={proof}
            look={seen}
            hasLoupe={hasLoupe}
            onPlace={isPinning ? (at) => setPlace(at) : undefined}
          >
            {(at) => (
              <>
                {proof.comments.map(
                  (comment, i) =>
                    comment.place && (
                      <span
                        key={comment.id}
                        title={`${comment.name}: ${comment.text}`}
                        className="absolute -translate-1/2"
                        style={at(comment.place)}
                      >
                        <Pin number={i + 1} done={comment.done} />
                      </span>
                    ),
                )}
                {place && (
                  <span className="absolute -translate-1/2" style={at(place)}>
                    <Pin number={proof.comments.length + 1} />
                  </span>
                )}
              </>
            )}
          </SheetView>
        )}
        <aside className="flex w-[320px] shrink-0 flex-col border-l border-edge max-md:w-full">
          {failed && (
            <p role="alert" className="border-b border-edge p-5 text-ruby">
              {failed}
            </p>
          )}
          <AnswerCard proof={proof} name={name} setName={setName} onAnswer={() => void load()} />
          <Comments
            comments={proof.comments}
            name={name}
            place={place}
            isPinning={isPinning}
            setPinning={pin}
            onSaid={() => {
              pin(false);
              void load();
            }}
          />
          <p className="border-t border-edge px-5 py-2.5 text-[12px] text-soft">
            This link works until {dayWords(proof.expires)}, for whoever has it.
          </p>
        </aside>
      </div>
    </div>
  );
}

const round = (mm: number): number => Math.round(10 * mm) / 10;
