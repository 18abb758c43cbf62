import { useParams } from 'react-router';

/** Opens the handbook where it tells of something, beside the job. */
export function HandbookLink({ name }: { name: string }) {
  const { stage = 'screens' } = useParams();
  return (
    <a
      href={`/handbook?of=${encodeURIComponent(name)}&on=${stage}`}
      target="brachytone-handbook"
      aria-label={`${name} in the handbook`}
      title="What the handbook says of it"
      className="ml-1.5 inline-block text-[11px] font-normal text-soft hover:text-ink focus-visible:text-ink"
    >
      ?
    </a>
  );
}
