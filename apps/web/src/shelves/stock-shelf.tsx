import { encode8, labToXyz, textureAt, xyzToLinear, type Stock, present } from '@brachytone/core';
import { SHIPPED_STOCKS } from '@brachytone/job';
import { useEffect, useRef } from 'react';
import { labWords } from '../controls/lab.ts';
import { sentenceOf, useDropStockMutation, useStocksQuery } from '../store/api.ts';
import { orSay } from '../store/or-say.ts';
import { ShelfCard, ShelfPart, Shelves } from './shelves.tsx';

const WIDTH = 216;
const HEIGHT = 64;
/** Screen pixels a millimetre of a stock is shown at: near enough to see its surface. */
const PER_MM = 9;

/** A stock's colour and surface, twice its size. */
function Surface({ stock }: { stock: Stock }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = present(canvas.current?.getContext('2d'), 'canvas');
    const picture = context.createImageData(WIDTH, HEIGHT);
    const light = xyzToLinear(labToXyz(stock.lab));
    for (let y = 0, at = 0; y < HEIGHT; y++) {
      for (let x = 0; x < WIDTH; x++, at += 4) {
        const surface = textureAt(stock.texture, x / PER_MM, y / PER_MM, PER_MM);
        for (let k = 0; k < 3; k++) picture.data[at + k] = encode8(light[k] * surface);
        picture.data[at + 3] = 255;
      }
    }
    context.putImageData(picture, 0, 0);
  }, [stock]);
  return (
    <canvas ref={canvas} width={WIDTH} height={HEIGHT} className="block h-16 w-full" aria-hidden="true" />
  );
}

/** Papers, cards and cloths to print on. */
export function StockShelf() {
  const { data: kept = [], error } = useStocksQuery();
  const [drop] = useDropStockMutation();
  const card = (stock: Stock, id?: string) => (
    <ShelfCard
      key={id ?? stock.name}
      name={stock.name}
      words={`${labWords(stock.lab)} · ${stock.texture}`}
      picture={<Surface stock={stock} />}
      {...(id
        ? {
            onDrop: () => orSay(drop(id).unwrap()),
          }
        : {})}
    />
  );
  return (
    <Shelves>
      {error && <p className="text-ruby">{sentenceOf(error)}</p>}
      <ShelfPart name="Your own" empty="No stock of your own yet. Keep one from a job, under its inks.">
        {kept.map(({ id, ...stock }) => card(stock, id))}
      </ShelfPart>
      <ShelfPart name="Ready-made">{SHIPPED_STOCKS.map((stock) => card(stock))}</ShelfPart>
    </Shelves>
  );
}
