import { labToHex, overprintLight, wideToXyz, xyzToLab, type Ink, type Stock } from '@brachytone/core';

/** An ink's real colour on a stock, for screens; that of its middle where it is blended. */
export const inkOnStock = (ink: Ink, stock: Stock): string => {
  const middle = ink.fountain ? ink.fountain.stops[Math.floor(ink.fountain.stops.length / 2)].lab : ink.lab;
  return labToHex(xyzToLab(wideToXyz(overprintLight(stock, [{ ...ink, lab: middle }])[1])));
};

/** An ink as it is by itself at the left, and on a stock at the right, where the two differ. */
export function inkSwatch(ink: Ink, stock: Stock): string {
  const onStock = inkBackground(ink, stock);
  if (ink.fountain) return onStock;
  const itself = labToHex(ink.lab);
  return itself === onStock || stock.lab[0] > PALE
    ? onStock
    : `linear-gradient(90deg, ${itself} 50%, ${onStock} 50%)`;
}

/** Stocks lighter than this (L*) leave inks as they are. */
const PALE = 80;

/** An ink on a stock as a background: its colours across the sheet where it is blended. */
export function inkBackground(ink: Ink, stock: Stock): string {
  if (!ink.fountain) return inkOnStock(ink, stock);
  const stops = ink.fountain.stops.map(
    ({ at, lab }) => `${inkOnStock({ ...ink, fountain: null, lab }, stock)} ${at}%`,
  );
  return `linear-gradient(${90 - ink.fountain.angle}deg, ${stops.join(', ')})`;
}
