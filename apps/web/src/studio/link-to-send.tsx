import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';

/** A link that was just made; it is shown once. */
export function LinkToSend({ path, says, onClose }: { path: string; says: string; onClose: () => void }) {
  const address = new URL(path, location.origin).href;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(address);
      toast('The link is in the clipboard.');
    } catch {
      toast.error('The browser does not let it be copied. Select it, and copy it yourself.');
    }
  };
  return (
    <div className="mt-2 mb-1 rounded-sm border border-ink bg-raised p-3">
      <p className="mb-2">{says} Send it to them; it is shown only now.</p>
      <div className="flex gap-2">
        <input
          aria-label="The link"
          readOnly
          value={address}
          className="figures h-[30px] min-w-0 grow rounded-sm border border-edge bg-white px-2"
          onFocus={(event) => event.target.select()}
        />
        <Button onClick={() => void copy()}>Copy</Button>
        <Button onClick={onClose}>Done</Button>
      </div>
    </div>
  );
}
