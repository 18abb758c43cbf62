import type { Lab } from './lab.ts';

const RADIANS = Math.PI / 180;
const POWER = 25 ** 7;

/**
 * Colour difference CIEDE2000 with all factors 1.
 *
 * Source: G. Sharma, W. Wu and E. N. Dalal, "The CIEDE2000 Color-Difference Formula: Implementation Notes, Supplementary
 * Test Data, and Mathematical Observations", Color Research and Application 30 (2005).
 */
export function difference2000([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number {
  const chroma7 = ((Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2) ** 7;
  const g = 0.5 * (1 - Math.sqrt(chroma7 / (chroma7 + POWER)));
  const p1 = (1 + g) * a1;
  const p2 = (1 + g) * a2;
  const c1 = Math.hypot(p1, b1);
  const c2 = Math.hypot(p2, b2);
  const h1 = hueOf(b1, p1);
  const h2 = hueOf(b2, p2);
  const grey = c1 * c2 === 0;
  const between = h2 - h1;
  const turn = grey ? 0 : between > 180 ? between - 360 : between < -180 ? between + 360 : between;
  const dl = l2 - l1;
  const dc = c2 - c1;
  const dh = 2 * Math.sqrt(c1 * c2) * Math.sin((turn / 2) * RADIANS);
  const l = (l1 + l2) / 2;
  const c = (c1 + c2) / 2;
  const sum = h1 + h2;
  const h = grey ? sum : Math.abs(between) <= 180 ? sum / 2 : sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
  const cosine = (degrees: number) => Math.cos(degrees * RADIANS);
  const t =
    1 - 0.17 * cosine(h - 30) + 0.24 * cosine(2 * h) + 0.32 * cosine(3 * h + 6) - 0.2 * cosine(4 * h - 63);
  const theta = 30 * Math.exp(-(((h - 275) / 25) ** 2));
  const rc = 2 * Math.sqrt(c ** 7 / (c ** 7 + POWER));
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const sc = 1 + 0.045 * c;
  const sh = 1 + 0.015 * c * t;
  const rt = -Math.sin(2 * theta * RADIANS) * rc;
  return Math.sqrt((dl / sl) ** 2 + (dc / sc) ** 2 + (dh / sh) ** 2 + rt * (dc / sc) * (dh / sh));
}

function hueOf(b: number, a: number): number {
  if (a === 0 && b === 0) return 0;
  const degrees = Math.atan2(b, a) / RADIANS;
  return degrees < 0 ? degrees + 360 : degrees;
}
