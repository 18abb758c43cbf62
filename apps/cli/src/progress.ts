import { Presets, SingleBar } from 'cli-progress';

/** Shows how far something is, where somebody looks at it. */
export interface Progress {
  tell(share: number, words: string): void;
  end(): void;
}

const SILENT: Progress = { tell: () => undefined, end: () => undefined };

/** A bar on the error output, so that results can be piped; nothing where that is no screen. */
export function progress(isWanted: boolean): Progress {
  if (!isWanted || !process.stderr.isTTY) return SILENT;
  const bar = new SingleBar(
    {
      format: '{bar} {percentage} % {words}',
      stream: process.stderr,
      hideCursor: true,
      clearOnComplete: true,
    },
    Presets.shades_classic,
  );
  bar.start(100, 0, { words: '' });
  return {
    tell: (share, words) => bar.update(Math.floor(100 * share), { words }),
    end: () => bar.stop(),
  };
}
