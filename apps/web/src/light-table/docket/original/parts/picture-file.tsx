import { Download } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../../controls/button.tsx';
import { NumberField } from '../../../../controls/number-field.tsx';
import { PPI } from '../../../../words/quantity.ts';
import { useTheOriginal } from '../../../../store/use-original.ts';
import { Row } from '../../group.tsx';
import { useTakeFile } from './use-take-file.ts';

/** An original by itself as a file: a transparent PNG in its own colours, as it is cut, shaped, faded and mixed. */
export function PictureFile() {
  const { id, name } = useTheOriginal();
  const [ppi, setPpi] = useState(300);
  const { busy, take } = useTakeFile();
  return (
    <Row label="Save it">
      <NumberField
        label="Resolution of the file"
        className="w-[74px]"
        value={ppi}
        unit={PPI}
        least={36}
        most={2400}
        onChange={setPpi}
      />
      <Button
        className="!h-6 !px-2"
        disabled={busy}
        onClick={() => take(`originals/${id}/cut-out.png?resolution=${ppi}`, name, 'png')}
      >
        <Download size={13} /> {busy ? 'Making it…' : 'Transparent PNG'}
      </Button>
    </Row>
  );
}
