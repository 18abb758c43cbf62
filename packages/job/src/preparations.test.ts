import { NO_TONE, type ToneStep } from '@brachytone/core';
import { pictureSource } from '@brachytone/core/tone/picture-source.ts';
import { toneRows } from '@brachytone/core/tone/tone-rows.ts';
import { PREPARATIONS } from './preparations.ts';
import { stepsSchema } from './tone-schema.ts';

const data = Uint8Array.from({ length: 120 * 90 }, (_, i) => 40 + ((i % 120) * 3) / 2 + ((i * 37) % 19));
const source = pictureSource({ width: 120, height: 90, channels: 1, data }, 1, 150);

describe.each(PREPARATIONS.map((one) => [one.name, one] as const))(
  'the preparation “%s”',
  (_name, { steps, says }) => {
    const list: ToneStep[] = steps.map((step, i) => ({ ...step, id: `step-${i + 1}`, on: true }));
    it('is a list of steps that a job may hold', () => {
      expect(stepsSchema.validate(list, { convert: false }).error).toBeUndefined();
      expect(says.endsWith('.')).toBe(true);
    });
    it('changes a picture', () => {
      const before = toneRows(source, NO_TONE).row(45);
      expect(toneRows(source, { ...NO_TONE, steps: list }).row(45)).not.toEqual(before);
    });
  },
);
