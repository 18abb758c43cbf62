import { Download } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../../controls/button.tsx';
import { NumberField } from '../../../../controls/number-field.tsx';
import { PPI } from '../../../../controls/quantity.ts';
import { saveNow } from '../../../../store/autosave.ts';
import { sentenceOf } from '../../../../store/api.ts';
import { useAppSelector } from '../../../../store/store.ts';
import { useOriginal } from '../../../../store/use-original.ts';
import { Row } from '../../group.tsx';

/** An original by itself as a file: a transparent PNG in its own colours, as it is cut, shaped, faded and mixed. */
export function PictureFile() {
  const job = useAppSelector((state) => state.job?.id);
  const { id, name } = useOriginal()!;
  const [ppi, setPpi] = useState(300);
  const [busy, setBusy] = useState(false);
  const take = async () => {
    setBusy(true);
    try {
      // The server makes it from what it has.
      await saveNow();
      const response = await fetch(`/api/jobs/${job}/originals/${id}/cut-out.png?resolution=${ppi}`);
      if (!response.ok) throw Object.assign(new Error(), { data: (await response.json()) as unknown });
      const link = document.createElement('a');
      link.href = URL.createObjectURL(await response.blob());
      link.download = `${name.replace(/\.[a-z0-9]{2,5}$/i, '')}.png`;
      link.click();
      URL.revokeObjectURL(link.href);
    } catch (error) {
      toast.error(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Row label="As a file">
      <NumberField
        label="Resolution of the file"
        className="w-[74px]"
        value={ppi}
        unit={PPI}
        least={36}
        most={2400}
        onChange={setPpi}
      />
      <Button className="!h-6 !px-2" disabled={busy} onClick={() => void take()}>
        <Download size={13} /> {busy ? 'Making it…' : 'Transparent PNG'}
      </Button>
    </Row>
  );
}
