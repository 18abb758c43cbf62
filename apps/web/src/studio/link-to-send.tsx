import { ShownOnce } from './shown-once.tsx';

/** A link that was just made. */
export const LinkToSend = ({ path, says, onClose }: { path: string; says: string; onClose: () => void }) => (
  <ShownOnce
    label="The link"
    value={new URL(path, location.origin).href}
    says={`${says} Send it to them; it is shown only now.`}
    copied="The link is in the clipboard."
    onClose={onClose}
  />
);
