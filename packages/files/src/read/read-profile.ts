import { INTENTS, type Intent, type Lab, type SeparationTable, rounded } from '@brachytone/core';
import type { OriginalFacts, ProfileView } from '@brachytone/job';
import type { Lcms } from 'lcms-wasm';
import { Problem } from '@brachytone/job';
import { profileName } from './profile-name.ts';

/** Bytes of the largest profile that is read. */
const LARGEST = 20e6;
/** Colours each way of a separation's table. */
const SIZE = 33;

/** True for an ICC profile: its signature stands at byte 36 (ICC.1:2022, 7.2.9). */
export const isProfile = (bytes: Uint8Array): boolean =>
  bytes.length > 128 && Buffer.from(bytes.subarray(36, 40)).toString('latin1') === 'acsp';

const refuse = (detail: string): Problem =>
  new Problem(422, 'Profile not taken', `${detail} Nothing was added.`);

/** Formats of samples and flags, as Little CMS 2 numbers them (lcms2.h). */
const GREY_16 = 196618;
const RGB_16 = 262170;
const CMYK_16 = 393250;
const CMYK_FLOAT = 4587556;
const LAB_FLOAT = 4849692;
const NO_CACHE = 0x0040;
const NO_SHORT_CUTS = 0x0100;
const FIT_BLACK = 0x2000;

let library: Promise<Lcms> | undefined;
// Its module waits for others while it is loaded, which a worker thread's own modules may not.
const littleCms = (): Promise<Lcms> =>
  (library ??= import('lcms-wasm').then(({ instantiate }) => instantiate()));

/** Opens a profile for as long as some work takes. */
async function withProfile<Result>(
  bytes: Uint8Array,
  work: (lcms: Lcms, profile: number) => Result,
): Promise<Result> {
  const lcms = await littleCms();
  const at = lcms._malloc(bytes.length);
  lcms.HEAPU8.set(bytes, at);
  const profile = lcms.ccall('cmsOpenProfileFromMem', 'number', ['number', 'number'], [at, bytes.length]);
  try {
    if (profile === 0) throw refuse('The ICC profile is damaged.');
    return work(lcms, profile);
  } finally {
    if (profile !== 0) lcms.cmsCloseProfile(profile);
    lcms._free(at);
  }
}

/** A transform for as long as some work takes. */
function withTransform<Result>(
  lcms: Lcms,
  from: [profile: number, format: number],
  to: [profile: number, format: number],
  intent: Intent,
  flags: number,
  work: (transform: number) => Result,
): Result {
  const transform = lcms.cmsCreateTransform(
    from[0],
    from[1],
    to[0],
    to[1],
    INTENTS.indexOf(intent),
    flags | NO_CACHE,
  );
  if (transform === 0) {
    throw refuse('The ICC profile has no tables for printing: it describes colours, but does not make them.');
  }
  try {
    return work(transform);
  } finally {
    lcms.cmsDeleteTransform(transform);
  }
}

/**
 * Reads a profile of a press.
 *
 * @throws Problem that says what is wrong with it
 */
export async function readProfile(bytes: Uint8Array): Promise<OriginalFacts> {
  if (bytes.length > LARGEST) throw refuse('The profile has more than 20 MB.');
  const kind = Buffer.from(bytes.subarray(12, 16)).toString('latin1');
  await withProfile(bytes, (lcms, profile) => {
    const space = lcms.cmsGetColorSpaceASCII(profile);
    if (space !== 'CMYK' || kind !== 'prtr') {
      throw refuse(
        `The ICC profile is for ${space ?? 'another kind of colour'}; a separation takes one of a press, for CMYK.`,
      );
    }
    withTransform(lcms, [lcms.cmsCreate_sRGBProfile(), RGB_16], [profile, CMYK_16], 'perceptual', 0, () => 0);
  });
  return {
    format: 'ICC',
    colour: 'CMYK',
    bitsPerSample: 0,
    alpha: false,
    profile: profileName(bytes),
    density: null,
    turned: false,
  };
}

/** Amounts of cyan, magenta, yellow and black for sRGB, by a profile. */
export function profileTable(
  bytes: Uint8Array,
  intent: Intent,
  compensate: boolean,
): Promise<SeparationTable> {
  return withProfile(bytes, (lcms, profile) => {
    const rgb = new Uint16Array(SIZE ** 3 * 3);
    const at = (i: number) => 65535 - Math.round((i / (SIZE - 1)) * 65535);
    for (let r = 0, i = 0; r < SIZE; r++) {
      for (let g = 0; g < SIZE; g++) {
        for (let b = 0; b < SIZE; b++) {
          rgb[i++] = at(r);
          rgb[i++] = at(g);
          rgb[i++] = at(b);
        }
      }
    }
    const source = lcms.cmsCreate_sRGBProfile();
    const flags = NO_SHORT_CUTS | (compensate ? FIT_BLACK : 0);
    const data = withTransform(lcms, [source, RGB_16], [profile, CMYK_16], intent, flags, (transform) =>
      lcms.cmsDoTransform(transform, rgb, SIZE ** 3),
    );
    lcms.cmsCloseProfile(source);
    return { size: SIZE, inks: 4, data: Uint16Array.from(data) };
  });
}

/** Pixels that are converted at once. */
const AT_ONCE = 1 << 18;

/**
 * sRGB colours of CMYK samples by a profile.
 *
 * @param samples four a pixel, and more where there is alpha, which is left out
 * @returns       three a pixel; undefined unless the profile is one of CMYK
 */
export function cmykToSrgb(
  profileBytes: Uint8Array,
  samples: Uint8Array | Uint16Array,
  channels: number,
  intent: Intent,
  compensate: boolean,
): Promise<Uint8Array | Uint16Array | undefined> {
  return withProfile(profileBytes, (lcms, profile) => {
    if (lcms.cmsGetColorSpaceASCII(profile) !== 'CMYK') return undefined;
    const pixels = samples.length / channels;
    const deep = samples instanceof Uint16Array;
    const out = deep ? new Uint16Array(3 * pixels) : new Uint8Array(3 * pixels);
    const srgb = lcms.cmsCreate_sRGBProfile();
    // A grid of 16-bit numbers is laid over the profile once; by way of it most of the time is saved.
    withTransform(
      lcms,
      [profile, CMYK_16],
      [srgb, RGB_16],
      intent,
      compensate ? FIT_BLACK : 0,
      (transform) => {
        const part = new Uint16Array(4 * Math.min(AT_ONCE, pixels));
        const scale = deep ? 1 : 257;
        for (let from = 0; from < pixels; from += AT_ONCE) {
          const count = Math.min(AT_ONCE, pixels - from);
          for (let i = 0; i < count; i++)
            for (let c = 0; c < 4; c++) part[4 * i + c] = samples[(from + i) * channels + c] * scale;
          const made = lcms.cmsDoTransform(transform, part, count);
          for (let i = 0; i < 3 * count; i++) out[3 * from + i] = deep ? made[i] : Math.round(made[i] / 257);
        }
      },
    );
    lcms.cmsCloseProfile(srgb);
    return out;
  });
}

/** sRGB greys for greys of a profile, both of 16 bits; undefined unless it is a profile of greys. */
export function greyTable(bytes: Uint8Array): Promise<Uint16Array | undefined> {
  return withProfile(bytes, (lcms, profile) => {
    if (lcms.cmsGetColorSpaceASCII(profile) !== 'GRAY') return undefined;
    const greys = Uint16Array.from({ length: 65536 }, (_, i) => i);
    const source = lcms.cmsCreate_sRGBProfile();
    const colours = withTransform(
      lcms,
      [profile, GREY_16],
      [source, RGB_16],
      'relative',
      NO_SHORT_CUTS,
      (transform) => lcms.cmsDoTransform(transform, greys, greys.length),
    );
    lcms.cmsCloseProfile(source);
    // All three channels of a grey are alike.
    return Uint16Array.from(greys, (i) => colours[3 * i + 1]);
  });
}

/** What a profile says of its paper, and of its solids over one another on it. */
export function profileView(bytes: Uint8Array): Promise<ProfileView> {
  return withProfile(bytes, (lcms, profile) => {
    const inks = new Float32Array(16 * 4);
    for (let set = 0; set < 16; set++) {
      for (let k = 0; k < 4; k++) inks[set * 4 + k] = set & (1 << k) ? 100 : 0;
    }
    const lab = lcms.cmsCreateLab4Profile(undefined);
    const read = (intent: Intent): Lab[] => {
      const out = withTransform(
        lcms,
        [profile, CMYK_FLOAT],
        [lab, LAB_FLOAT],
        intent,
        NO_SHORT_CUTS,
        (transform) => lcms.cmsDoTransform(transform, inks, 16),
      );
      return Array.from({ length: 16 }, (_, set): Lab => [
        Math.min(100, Math.max(0, rounded(out[set * 3], 2))),
        rounded(out[set * 3 + 1], 2),
        rounded(out[set * 3 + 2], 2),
      ]);
    };
    const solids = read('absolute');
    lcms.cmsCloseProfile(lab);
    return { name: profileName(bytes), paper: solids[0], solids };
  });
}
