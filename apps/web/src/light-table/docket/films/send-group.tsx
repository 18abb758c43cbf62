import { Button } from '../../../controls/button.tsx';
import { Group } from '../group.tsx';
import { useDownload } from './use-download.ts';

const TICKET = 'ticket.pdf';
const ARCHIVE = 'archive.zip';

/** What goes along with films: a ticket for the shop, and the whole job to be opened elsewhere. */
export function SendGroup() {
  const { download, busy } = useDownload();
  return (
    <Group name="To go along">
      <div className="flex gap-2">
        <Button
          className="grow justify-center"
          title="A page with the job’s inks, screens, curves, findings and files"
          disabled={busy !== undefined}
          onClick={() => download(TICKET)}
        >
          {busy === TICKET ? 'Writing it…' : 'Job ticket'}
        </Button>
        <Button
          className="grow justify-center"
          title="The job with its originals, typefaces, newest films and ticket, to be opened on another Brachytone"
          disabled={busy !== undefined}
          onClick={() => download(ARCHIVE)}
        >
          {busy === ARCHIVE ? 'Packing…' : 'Job archive'}
        </Button>
      </div>
    </Group>
  );
}
