import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';

/** Something secret that was just made, to be copied: it is shown only now. */
export function ShownOnce({
  label,
  value,
  says,
  copied,
  onClose,
}: {
  label: string;
  value: string;
  says: string;
  /** What is said once it is in the clipboard. */
  copied: string;
  onClose: () => void;
}) {
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(value);
      toast(copied);
    } catch {
      toast.error('The browser does not let it be copied. Select it, and copy it yourself.');
    }
  };
  return (
    <div className="mt-2 mb-1 rounded-sm border border-ink bg-raised p-3">
      <p className="mb-2">{says}</p>
      <div className="flex gap-2">
        <input
          aria-label={label}
          readOnly
          value={value}
          className="figures h-[30px] min-w-0 grow rounded-sm border border-edge bg-white px-2"
          onFocus={(event) => event.target.select()}
        />
        <Button onClick={() => void copy()}>Copy</Button>
        <Button onClick={onClose}>Done</Button>
      </div>
    </div>
  );
}
