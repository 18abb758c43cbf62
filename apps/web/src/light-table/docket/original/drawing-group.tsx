import { contentKind } from '@brachytone/core';
import { useFiles } from '../../../store/use-files.ts';
import { useTheOriginal } from '../../../store/use-original.ts';
import { bytesWords } from '../../../words/words.ts';
import { Fact, Group } from '../group.tsx';

/** What is known of line art that came as geometry. */
export function DrawingGroup() {
  const original = useTheOriginal();
  const file = useFiles().get(contentKind(original.content).file(original.content)?.sha256 ?? '');
  if (!file) return null;
  const { leftOut = [] } = file.facts;
  return (
    <Group name="Line art">
      <Fact label="Kind">{file.facts.format}, geometry</Fact>
      <Fact label="Size">{bytesWords(file.byteLength)}</Fact>
      <p className="mt-1 text-soft">
        Dark shapes print solid with hard edges, drawn at the film’s own resolution; light ones leave bare
        what lies under them.
      </p>
      {leftOut.length > 0 && <p className="mt-1 text-warn">Not taken over: {leftOut.join('; ')}.</p>}
    </Group>
  );
}
