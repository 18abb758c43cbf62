import { contentKind } from '@brachytone/core';
import { useFiles } from '../../../store/use-files.ts';
import { useTheOriginal } from '../../../store/use-original.ts';
import { bytesWords } from '../../../words/words.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { Fact, Group } from '../group.tsx';
import { PRINT_AS } from './line-group.tsx';
import { usePainted } from './use-painted.ts';

/** What is known of line art that came as geometry. */
export function DrawingGroup() {
  const original = useTheOriginal();
  const { toTones, isBusy } = usePainted();
  const file = useFiles().get(contentKind(original.content).file(original.content)?.sha256 ?? '');
  if (!file) return null;
  const { leftOut = [], shades } = file.facts;
  return (
    <Group name="Line art">
      <Segmented
        label="Print as"
        value="line"
        wide
        options={PRINT_AS}
        onChange={(next) => next === 'tone' && void toTones()}
      />
      <div className="h-2" />
      <Fact label="Kind">{file.facts.format}, geometry</Fact>
      <Fact label="Size">{bytesWords(file.byteLength)}</Fact>
      <p className="mt-1 text-soft">
        Dark shapes print solid with hard edges, drawn at the film’s own resolution; light ones leave bare
        what lies under them.
      </p>
      {shades && (
        <p className="mt-1 text-warn">
          It has greys or colours: as line work the darker half prints solid and the lighter half not at all.
          Print it as tone to keep them.
        </p>
      )}
      {isBusy && <p className="mt-1 text-soft">Being painted…</p>}
      {leftOut.length > 0 && <p className="mt-1 text-warn">Not taken over: {leftOut.join('; ')}.</p>}
    </Group>
  );
}
