import { READER_TASKS } from '@brachytone/files/read';
import type { Answer, Question } from '@brachytone/files/read';

/** A process of its own that reads files from outside: whatever one of them does, the server lives on. It does one thing after another. */

const answer = (given: Answer): void => void process.send?.(given);

process.on('message', ({ name, given }: Question) => {
  answer({ begun: true });
  // Which task takes which is told by its name.
  const work = READER_TASKS[name] as (given: unknown) => Promise<object>;
  work(given).then(
    (made) => answer({ made }),
    (error: unknown) =>
      answer({ failure: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  );
});

// The server is gone, and nobody asks any more.
process.on('disconnect', () => process.exit(0));
