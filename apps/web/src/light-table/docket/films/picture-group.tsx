import { MM_PER_INCH, pictureSize, ppiOfPixels } from '@brachytone/core';
import { PICTURE_FORMATS, type PictureFormatId } from '@brachytone/job';
import { useState } from 'react';
import { Button } from '../../../controls/button.tsx';
import { Segmented } from '../../../controls/segmented.tsx';
import { Select } from '../../../controls/select.tsx';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { NumberField } from '../../../controls/number-field.tsx';
import { useDocument } from '../../../store/use-job.ts';
import { PIXELS } from '../../../words/quantity.ts';
import { Fact, Group, Row } from '../group.tsx';
import { useDownload } from './use-download.ts';

const FORMATS = PICTURE_FORMATS.map(({ id, name }) => ({ value: id, name }));
/** Pixels of the longer side that are offered first: a large picture for a screen. */
const BEGIN = 2400;
/** All plates, as a choice among them. */
const ALL = 'all';

/** The print as a picture, for the web or another program. */
export function PictureGroup() {
  const { recipe } = useDocument();
  const [format, setFormat] = useState<PictureFormatId>('png');
  const [wanted, setWanted] = useState(BEGIN);
  const [isClear, setClear] = useState(false);
  const [bleed, setBleed] = useState(false);
  const [plate, setPlate] = useState(ALL);
  const { download, busy } = useDownload();
  const { sheet } = recipe;
  const found = PICTURE_FORMATS.find(({ id }) => id === format) ?? PICTURE_FORMATS[0];
  const longer = Math.min(wanted, found.most);
  const transparent = isClear && found.canBeClear;
  const ppi = ppiOfPixels(sheet, bleed, longer);
  const size = pictureSize(sheet, { ppi, bleed });
  const dots = (sheet.resolution / MM_PER_INCH) * Math.max(sheet.width, sheet.height);
  const plates = [
    { value: ALL, name: 'All that are printed' },
    ...recipe.plates.map(({ id, ink }) => ({
      value: id,
      name: recipe.inks.find((one) => one.id === ink)?.name ?? ink,
    })),
  ];
  const query = new URLSearchParams({
    format,
    ppi: String(ppi),
    transparent: String(transparent),
    bleed: String(bleed),
    ...(plate === ALL ? {} : { plate }),
  });
  return (
    <Group name="Picture of the print">
      <Row label="Format">
        <Select label="Picture format" value={format} options={FORMATS} onChange={setFormat} />
      </Row>
      <Row label="Longer side">
        <NumberField
          label="Longer side"
          value={longer}
          unit={PIXELS}
          least={16}
          most={found.most}
          onChange={(pixels) => setWanted(Math.round(pixels))}
        />
      </Row>
      <Row label="Ground">
        <Segmented
          label="Ground"
          value={transparent ? 'clear' : 'stock'}
          options={[
            { value: 'stock', label: 'Stock' },
            {
              value: 'clear',
              label: 'Clear',
              title: found.canBeClear ? 'Clear where there is no ink' : `${found.name} cannot be clear`,
            },
          ]}
          onChange={(ground) => setClear(ground === 'clear')}
        />
      </Row>
      {recipe.plates.length > 1 && (
        <Row label="Plates">
          <Select label="Plates of the picture" value={plate} options={plates} onChange={setPlate} />
        </Row>
      )}
      {sheet.bleed > 0 && <SwitchRow label="With bleed" on={bleed} onChange={setBleed} />}
      <Fact label="Pixels">
        {size.columns} × {size.rows}
      </Fact>
      {size.times !== undefined && (
        <p className="text-soft">
          Every film pixel is a square of {size.times} × {size.times} with hard edges.
        </p>
      )}
      {dots > longer && dots < 2 * longer && (
        <p className="text-soft">
          The film itself is {Math.round(dots)} pixels long: with as many, every dot is exact.
        </p>
      )}
      <Button
        className="mt-2 w-full justify-center"
        disabled={busy !== undefined}
        onClick={() => download(`picture?${query}`)}
      >
        {busy ? 'Making it…' : 'Save picture'}
      </Button>
    </Group>
  );
}
