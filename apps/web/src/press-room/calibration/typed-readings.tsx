import { TARGET_TONES, type CalibratedInk } from '@brachytone/core';
import { useState, type ClipboardEvent } from 'react';
import { Button } from '../../controls/button.tsx';
import { Segmented } from '../../controls/segmented.tsx';

const TONES = [0, ...TARGET_TONES];

/** A table of one ink's tones to be filled in, as percent printed or as densities. A column out of a spreadsheet can be put in at once. */
export function TypedReadings({
  of,
  onText,
}: {
  of: CalibratedInk;
  /** The table as text of measurements. */
  onText: (text: string) => void;
}) {
  const [as, setAs] = useState<'printed' | 'density'>('printed');
  const [typed, setTyped] = useState<Readonly<Record<number, string>>>({});
  const fill = (event: ClipboardEvent, from: number) => {
    const lines = event.clipboardData
      .getData('text')
      .trim()
      .split(/\r\n|\r|\n/);
    if (lines.length < 2) return;
    event.preventDefault();
    setTyped((before) => ({
      ...before,
      ...Object.fromEntries(
        lines.slice(0, TONES.length - from).map((line, i) => [TONES[from + i], line.trim()]),
      ),
    }));
  };
  const filled = TONES.filter((tone) => (typed[tone] ?? '').trim() !== '');
  const text = () =>
    [
      `INK;FILM;${as.toUpperCase()}`,
      ...filled.map(
        (tone) => `"${of.ink.name.replace(/"/g, '""')}";${tone};"${typed[tone].replace(/"/g, '')}"`,
      ),
    ].join('\n');
  return (
    <div>
      <Segmented
        label="What is typed"
        value={as}
        options={[
          { value: 'printed', label: 'Percent printed' },
          { value: 'density', label: 'Density' },
        ]}
        onChange={setAs}
      />
      <p className="my-1.5 text-soft">
        {as === 'printed'
          ? 'The mean of both patches of a tone. What is not measured stays empty.'
          : 'As the densitometer shows them: stock (0 %) and solid (100 %) are needed.'}
      </p>
      <div className="grid grid-flow-col grid-cols-3 grid-rows-[repeat(11,minmax(0,auto))] gap-x-4 gap-y-0.5">
        {TONES.map((tone, i) => (
          <label key={tone} className="flex items-center gap-1.5">
            <span className="figures w-11 text-right text-soft">{tone} %</span>
            <input
              aria-label={`${tone} % prints as`}
              inputMode="decimal"
              className="figures h-6 w-[70px] rounded-sm border border-edge bg-white px-1.5 text-right hover:border-soft"
              value={typed[tone] ?? ''}
              onChange={(event) => setTyped({ ...typed, [tone]: event.target.value.slice(0, 20) })}
              onPaste={(event) => fill(event, i)}
            />
          </label>
        ))}
      </div>
      <Button className="mt-2" disabled={filled.length === 0} onClick={() => onText(text())}>
        Use these readings of {of.ink.name}
      </Button>
    </div>
  );
}
