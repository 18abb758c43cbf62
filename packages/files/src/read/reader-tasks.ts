import { halve, INTENTS, type Picture } from '@brachytone/core';
import type { OriginalFacts } from '@brachytone/job';
import sharp from 'sharp';
import { isDrawing, readDrawing } from './read-drawing.ts';
import { isFont, readFont } from './read-font.ts';
import { packPicture, readPicture, smallLevelOf, type ReadPicture } from './read-picture.ts';
import { isProfile, profileTable, profileView, readProfile } from './read-profile.ts';
import { paintSvg } from './paint-svg.ts';
import { pressProfileIn, readChannels, readManyInks } from './read-separated.ts';
import { orRefusal, type Kept, type ReaderTasks, type Refusal } from './readings.ts';

// Every picture is read once: keeping decoded ones, and many rows of them at a time, only costs memory.
sharp.cache(false);
sharp.concurrency(1);

type Does = {
  readonly [Name in keyof ReaderTasks]: (
    given: ReaderTasks[Name]['given'],
  ) => Promise<ReaderTasks[Name]['made'] | Refusal>;
};

/** See `ReaderTasks`. */
export const READER_TASKS: Does = {
  intake: ({ bytes }) => orRefusal(() => takenIn(bytes)),
  retake: ({ bytes, intent, compensate }) =>
    orRefusal(async () => keptPicture(await readPicture(bytes, { intent, compensate }))),
  paint: ({ bytes, longest }) => orRefusal(async () => keptPicture(await paintSvg(bytes, longest))),
  channels: ({ bytes }) => orRefusal(() => channelsOf(bytes)),
  separation: ({ profile, intent, compensate }) => orRefusal(() => profileTable(profile, intent, compensate)),
  profile: ({ profile }) => orRefusal(() => profileView(profile)),
};

async function channelsOf(bytes: Uint8Array): Promise<ReaderTasks['channels']['made']> {
  const made: { name: string; kept: Kept }[] = [];
  for await (const { name, picture } of readChannels(bytes)) {
    const facts: OriginalFacts = {
      format: 'channel',
      colour: 'grey',
      bitsPerSample: picture.data instanceof Uint16Array ? 16 : 8,
      alpha: false,
      profile: null,
      density: null,
      turned: false,
    };
    made.push({ name, kept: await keptPicture({ picture, facts }) });
  }
  return { channels: made, profile: await pressProfileIn(bytes) };
}

/** A file as it is kept, by what it holds. */
async function takenIn(bytes: Uint8Array): Promise<Kept> {
  if (isDrawing(bytes)) {
    const { drawing, facts } = readDrawing(bytes);
    const { width, height } = drawing;
    const working = new TextEncoder().encode(JSON.stringify(drawing));
    const picture = { width, height, channels: 0 } as const;
    return { picture, kind: 'drawing', facts, working, small: undefined, smallLevel: 0 };
  }
  if (isFont(bytes)) {
    const { font, facts } = await readFont(bytes);
    const picture = { width: 0, height: 0, channels: 0 } as const;
    return { picture, kind: 'font', facts, working: font, small: undefined, smallLevel: 0 };
  }
  if (isProfile(bytes)) {
    const facts = await readProfile(bytes);
    // What a damaged one fails at is found out now, not when films are to be made.
    await profileView(bytes);
    for (const intent of INTENTS) await profileTable(bytes, intent, true);
    const picture = { width: 0, height: 0, channels: 0 } as const;
    return { picture, kind: 'profile', facts, working: bytes, small: undefined, smallLevel: 0 };
  }
  return keptPicture((await readManyInks(bytes)) ?? (await readPicture(bytes)));
}

/** A picture as it is kept: packed, and with a small level by itself. */
async function keptPicture({ picture, facts }: ReadPicture): Promise<Kept> {
  const smallLevel = smallLevelOf(picture.width, picture.height);
  let small: Picture = picture;
  for (let level = 0; level < smallLevel; level++) small = halve(small);
  const { width, height, channels } = picture;
  return {
    picture: { width, height, channels },
    kind: 'picture',
    facts,
    working: await packPicture(picture),
    small: await packPicture(small),
    smallLevel,
  };
}
