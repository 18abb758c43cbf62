import { Select } from '../../../controls/select.tsx';
import { letteringSize, type Lettering } from '@brachytone/core';
import { LIMITS, resetLettering, type LetteringChange } from '@brachytone/job';
import { useRef } from 'react';
import { toast } from 'sonner';
import { typefaceOf, useTypeface } from '../../../engine/use-typeface.ts';
import { EM, FINE_MM, MM, PERCENT } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { sentenceOf, useAddOriginalMutation, useFontsQuery } from '../../../store/api.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { MissingLetters } from '../missing-letters.tsx';
import { Group, Row } from '../group.tsx';
import { GradientControls } from './gradient-controls.tsx';

const PAINTS = [
  { value: 'solid', label: 'Solid', title: 'Prints' },
  { value: 'bare', label: 'Bare', title: 'Leaves bare what lies under it' },
] as const;

/** Value of the list's last entry, which brings a font file in. */
const BRING = 'bring';

/** Lettering: its words, typeface, setting and how its letters are filled and edged. */
export function LetteringGroup() {
  const original = useTheOriginal();
  const content = original.content as Lettering;
  const change = useEditOriginal();
  const face = useTypeface(content.font);
  const chooser = useRef<HTMLInputElement>(null);
  const { data: fonts = [] } = useFontsQuery();
  const [addOriginal] = useAddOriginalMutation();
  const reset = (part: LetteringChange, gesture: string | null = null, to = face) => {
    if (!face || !to) return;
    change(
      'Lettering',
      (draft) => {
        const next = resetLettering(original, part, face, to);
        if (part.text !== undefined)
          draft.name = part.text.split('\n')[0].trim().slice(0, 120) || 'Lettering';
        Object.assign(draft, { content: next.content, placement: next.placement });
      },
      gesture && `lettering-${gesture}`,
    );
  };
  const set = (part: Partial<Lettering>, gesture: string | null = null) =>
    change(
      'Lettering',
      (draft) => void Object.assign(draft.content, part),
      gesture && `lettering-${gesture}`,
    );
  const setFont = async (font: string) => {
    try {
      reset({ font }, null, await typefaceOf(font));
    } catch (error) {
      toast.error(sentenceOf(error));
    }
  };
  const bring = async (file: File) => {
    try {
      const { sha256, kind } = await addOriginal(file).unwrap();
      if (kind === 'font') await setFont(sha256);
      else toast.error(`“${file.name}” is not a font. Lettering takes .ttf, .otf, .woff and .woff2 files.`);
    } catch (error) {
      toast.error(`“${file.name}”: ${sentenceOf(error)}`);
    }
  };
  const { outline, inner, glow, gradient } = content;
  return (
    <>
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".ttf,.otf,.woff,.woff2"
        aria-label="Choose a font"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void bring(file);
          event.target.value = '';
        }}
      />
      <Group name="Lettering">
        <textarea
          aria-label="Text"
          rows={Math.min(6, Math.max(2, content.text.split('\n').length))}
          maxLength={LIMITS.letters.most}
          className="block w-full resize-none rounded-sm border border-edge bg-white px-2 py-1 leading-5 hover:border-soft"
          value={content.text}
          onChange={(event) => {
            const text = event.target.value;
            if (text !== '') reset({ text }, `text-${original.id}`);
          }}
        />
        <MissingLetters content={content} />
        <Row label="Typeface">
          <Select
            label="Typeface"
            value={content.font}
            options={[
              ...(fonts.some(({ sha256 }) => sha256 === content.font)
                ? []
                : [{ value: content.font, name: face?.name ?? '…' }]),
              ...fonts.map(({ sha256, facts }) => ({ value: sha256, name: facts.typeface ?? 'Typeface' })),
              { value: BRING, name: 'Bring a font file…' },
            ]}
            onChange={(chosen) => {
              if (chosen === BRING) chooser.current?.click();
              else void setFont(chosen);
            }}
          />
        </Row>
        {face && (
          <SliderRow
            label="Size"
            value={letteringSize(content, face, original.placement.width)}
            unit={EM}
            {...LIMITS.em}
            usual={[3, 200]}
            ratio
            onChange={(size, gesture) => reset({ size }, gesture)}
          />
        )}
        <SliderRow
          label="Tracking"
          value={content.tracking}
          unit={PERCENT}
          {...LIMITS.tracking}
          usual={[-10, 40]}
          onChange={(tracking, gesture) => reset({ tracking }, gesture)}
        />
        {content.text.includes('\n') && (
          <SliderRow
            label="Leading"
            value={content.leading}
            unit={PERCENT}
            {...LIMITS.leading}
            usual={[60, 180]}
            onChange={(leading, gesture) => reset({ leading }, gesture)}
          />
        )}
        <Row label="Lines">
          <Segmented
            label="How lines are set"
            value={content.align}
            options={[
              { value: 'left', label: 'Left' },
              { value: 'centre', label: 'Middle' },
              { value: 'right', label: 'Right' },
            ]}
            onChange={(align) => reset({ align })}
          />
        </Row>
      </Group>
      <Group name="Letters">
        <Segmented
          label="Letters are filled"
          value={content.fill}
          wide
          options={[
            { value: 'solid', label: 'Solid' },
            { value: 'gradient', label: 'Gradient', title: 'Screened' },
            { value: 'bare', label: 'Bare', title: 'Leaves bare what lies under them' },
            { value: 'none', label: 'None', title: 'Only the lines along them' },
          ]}
          onChange={(fill) => set({ fill })}
        />
        <div className="h-1.5" />
        {content.fill === 'gradient' && (
          <GradientControls
            gradient={gradient}
            set={(part, gesture = null) =>
              change(
                'Gradient',
                (draft) => void Object.assign((draft.content as Lettering).gradient, part),
                gesture,
              )
            }
          />
        )}
        <SliderRow
          label="Outline"
          value={outline.width}
          unit={FINE_MM}
          {...LIMITS.edge}
          usual={[0, 5]}
          onChange={(width, gesture) => set({ outline: { ...outline, width } }, gesture)}
        />
        {outline.width > 0 && (
          <Row label="">
            <Segmented
              label="Outline prints"
              value={outline.paint}
              options={PAINTS}
              onChange={(paint) => set({ outline: { ...outline, paint } })}
            />
          </Row>
        )}
        <SliderRow
          label="Inner edge"
          value={inner.width}
          unit={FINE_MM}
          {...LIMITS.edge}
          usual={[0, 5]}
          onChange={(width, gesture) => set({ inner: { ...inner, width } }, gesture)}
        />
        {inner.width > 0 && (
          <Row label="">
            <Segmented
              label="Inner edge prints"
              value={inner.paint}
              options={PAINTS}
              onChange={(paint) => set({ inner: { ...inner, paint } })}
            />
          </Row>
        )}
        <SliderRow
          label="Glow"
          value={glow.strength}
          unit={PERCENT}
          least={0}
          most={100}
          onChange={(strength, gesture) => set({ glow: { ...glow, strength } }, gesture)}
        />
        {glow.strength > 0 && (
          <>
            <SliderRow
              label="Reach"
              value={glow.reach}
              unit={MM}
              {...LIMITS.soft}
              usual={[0, 40]}
              onChange={(reach, gesture) => set({ glow: { ...glow, reach } }, gesture)}
            />
            <Row label="">
              <Segmented
                label="Glow is"
                value={glow.paint}
                options={[
                  { value: 'solid', label: 'Dark' },
                  { value: 'bare', label: 'Light' },
                ]}
                onChange={(paint) => set({ glow: { ...glow, paint } })}
              />
            </Row>
          </>
        )}
      </Group>
    </>
  );
}
