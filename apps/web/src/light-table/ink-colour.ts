import { labToHex, overprintLight, wideToXyz, xyzToLab, type Ink, type Stock } from '@brachytone/core';

/** An ink's real colour on a stock, for screens; that of its middle where it is blended. */
export const inkOnStock = (ink: Ink, stock: Stock): string => {
  const middle = ink.fountain ? ink.fountain.stops[Math.floor(ink.fountain.stops.length / 2)].lab : ink.lab;
  return labToHex(xyzToLab(wideToXyz(overprintLight(stock, [{ ...ink, lab: middle }])[1])));
};

/** An ink on a stock as a background: its colours across the sheet where it is blended. */
export function inkBackground(ink: Ink, stock: Stock): string {
  if (!ink.fountain) return inkOnStock(ink, stock);
  const stops = ink.fountain.stops.map(
    ({ at, lab }) => `${inkOnStock({ ...ink, fountain: null, lab }, stock)} ${at}%`,
  );
  return `linear-gradient(${90 - ink.fountain.angle}deg, ${stops.join(', ')})`;
}
