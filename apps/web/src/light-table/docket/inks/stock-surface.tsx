import { TEXTURES, type Stock, type StockPicture, type Texture } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { useRef } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../controls/button.tsx';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { sentenceOf, useAddOriginalMutation } from '../../../store/api.ts';
import { useFiles } from '../../../store/use-files.ts';
import { MM, PERCENT } from '../../../words/quantity.ts';
import { ResetButton, Row } from '../group.tsx';

const TEXTURE_NAMES: Record<Texture, string> = {
  smooth: 'Smooth',
  paper: 'Paper',
  card: 'Card',
  cloth: 'Cloth',
};

/** What the stock's surface looks like: a ready-made one, a picture of the stock, or both, each as strong as wanted. */
export function StockSurface({
  stock,
  width,
  set,
  setPicture,
}: {
  stock: Stock;
  /** Of the sheet, mm: a picture begins as wide. */
  width: number;
  set: (label: string, change: Partial<Stock>, gesture?: string | null) => void;
  setPicture: (picture: StockPicture | undefined, gesture?: string | null) => void;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  const [add, { isLoading }] = useAddOriginalMutation();
  const file = useFiles().get(stock.picture?.picture ?? '');
  const { picture, textureStrength = 100 } = stock;
  const bring = async (chosen: File) => {
    try {
      const { sha256, kind } = await add(chosen).unwrap();
      if (kind === 'picture')
        setPicture({ width: picture?.width ?? width, strength: picture?.strength ?? 100, picture: sha256 });
      else toast.error(`“${chosen.name}” is not a picture.`);
    } catch (error) {
      toast.error(`“${chosen.name}”: ${sentenceOf(error)}`);
    }
  };
  const change = (part: Partial<StockPicture>, gesture: string) =>
    picture && setPicture({ ...picture, ...part }, gesture);
  return (
    <>
      <input
        ref={chooser}
        type="file"
        hidden
        accept="image/*"
        aria-label="Choose a picture of the stock"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) void bring(chosen);
          event.target.value = '';
        }}
      />
      <div className="my-1">
        <Segmented
          label="Surface of the stock"
          wide
          value={stock.texture}
          options={TEXTURES.map((value) => ({ value, label: TEXTURE_NAMES[value] }))}
          onChange={(texture) => set('Surface of the stock', { texture })}
        />
      </div>
      {stock.texture !== 'smooth' && (
        <SliderRow
          label="Strength"
          value={textureStrength}
          unit={PERCENT}
          {...LIMITS.textureStrength}
          onChange={(strength, gesture) =>
            set('Strength of the surface', { textureStrength: strength }, gesture)
          }
        />
      )}
      <Row label="Picture">
        {picture && <ResetButton label="Remove" onClick={() => setPicture(undefined)} />}
        <Button
          className="!h-6 !px-2"
          title="A scan or photograph of paper or cloth, multiplied over the whole proof"
          disabled={isLoading}
          onClick={() => chooser.current?.click()}
        >
          {isLoading ? 'Being read…' : picture ? 'Another…' : 'Choose…'}
        </Button>
      </Row>
      {picture && (
        <>
          <SliderRow
            label="Strength"
            value={picture.strength}
            unit={PERCENT}
            least={0}
            most={100}
            onChange={(strength, gesture) => change({ strength }, gesture)}
          />
          <SliderRow
            label="Width"
            value={picture.width}
            unit={MM}
            {...LIMITS.stockWidth}
            usual={[10, Math.max(300, 2 * width)]}
            ratio
            onChange={(wide, gesture) => change({ width: wide }, gesture)}
          />
          {file && (
            <p className="text-soft">
              {file.width} × {file.height} pixels, repeated from the sheet’s corner. It is seen in proofs and
              pictures of the print, and is on no film.
            </p>
          )}
        </>
      )}
    </>
  );
}
