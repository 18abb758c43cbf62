import type { Rows } from '../raster/rows.ts';
import { weightsOf } from '../tone/grey.ts';
import { toneRows, type ToneSource } from '../tone/tone-rows.ts';
import type { Tone } from '../tone/tone.ts';

const CHANNELS = [weightsOf(1, 0, 0), weightsOf(0, 1, 0), weightsOf(0, 0, 1)];

/** A tone's steps over one channel (red 0, green 1, blue 2) instead of grey. */
export const channelTone = ({ steps }: Tone, channel: number): Tone => ({
  grey: { weights: CHANNELS[channel], reading: 'dots' },
  steps,
});

/** A source as one channel's tones are kept of it. */
export const channelSource = (source: ToneSource, channel: number): ToneSource => ({
  ...source,
  key: `${source.key} channel ${channel}`,
});

/** One channel of a source's colours after its tone steps, as coverage. */
export const channelRows = (source: ToneSource, tone: Tone, channel: number): Rows =>
  toneRows(channelSource(source, channel), channelTone(tone, channel));
