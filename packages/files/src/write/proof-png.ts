import { filmFrame, mmToPixels, PLAIN_LOOK, pressProof, type Scene } from '@brachytone/core';
import sharp from 'sharp';

/** PNG of a job's exact proof, trimmed; its longer side has `longer` pixels. */
export async function proofPng(scene: Scene, longer: number): Promise<Uint8Array> {
  const { recipe } = scene;
  const frame = filmFrame(recipe);
  // Trimmed, as it will be looked at.
  const bleed = mmToPixels(recipe.sheet.bleed, frame);
  const width = frame.width - 2 * bleed;
  const height = frame.height - 2 * bleed;
  const scale = longer / Math.max(width, height);
  const columns = Math.max(1, Math.round(width * scale));
  const rows = Math.max(1, Math.round(height * scale));
  const { rgba } = pressProof(
    {
      scene,
      frame,
      view: { x: bleed, y: bleed, width, height, columns, rows },
      rows: { first: 0, count: rows },
      plates: recipe.plates.flatMap(({ printed }, i) => (printed ? [i] : [])),
    },
    PLAIN_LOOK,
  );
  return sharp(rgba, { raw: { width: columns, height: rows, channels: 4 } })
    .removeAlpha()
    .png()
    .toBuffer();
}
