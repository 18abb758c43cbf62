import { useState } from 'react';
import { toast } from 'sonner';
import { sentenceOf } from '../store/api.ts';

/** A link that opens a field for a name, under which something is kept on the shelf. */
export function KeepForm({
  invitation,
  label,
  busy,
  keep,
}: {
  invitation: string;
  /** What the field is called for a screen reader. */
  label: string;
  busy: boolean;
  keep: (name: string) => Promise<unknown>;
}) {
  const [name, setName] = useState<string>();
  if (name === undefined) {
    return (
      <button
        type="button"
        className="mt-2 text-[12px] text-soft underline hover:text-ink"
        onClick={() => setName('')}
      >
        {invitation}
      </button>
    );
  }
  const wanted = name.trim();
  const save = async () => {
    try {
      await keep(wanted);
      toast(`“${wanted}” is on the shelf.`);
      setName(undefined);
    } catch (error) {
      toast.error(sentenceOf(error));
    }
  };
  return (
    <form
      className="mt-2 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (wanted && !busy) void save();
      }}
    >
      <input
        aria-label={label}
        placeholder="A name to find it by"
        maxLength={60}
        autoFocus
        className="h-7 min-w-0 grow rounded-sm border border-edge bg-white px-2 hover:border-soft"
        value={name}
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && setName(undefined)}
      />
      <button
        type="submit"
        disabled={!wanted || busy}
        className="h-7 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white disabled:opacity-40"
      >
        Keep
      </button>
    </form>
  );
}
