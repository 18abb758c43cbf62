import { toast } from 'sonner';
import { changeHeaders } from '../server/change-headers.ts';
import { lanes } from './lanes.ts';

/** Failures that were reported, by what they said: each once. */
const reported = new Set<string>();

/** Has the server's log tell of a failure on the page, once; whoever sees to the server would not hear of it otherwise. */
export function report({ name, message, stack = '' }: Error): void {
  const text = `${name}: ${message}`;
  if (reported.has(text)) return;
  reported.add(text);
  console.error(text, stack);
  void fetch('/api/page-failures', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...changeHeaders() },
    body: JSON.stringify({ message: text.slice(0, 500), stack: stack.slice(0, 4000) }),
    // Away with the server: there is no log to tell.
  }).catch(() => undefined);
}

/** Says once, on the page and in the log, when the workers have to make do with slow kernels. */
export async function saySlowKernels(): Promise<void> {
  const because = await lanes[0].remote.slowBecause();
  if (because === undefined) return;
  toast.warning(
    'This browser cannot run the quick way to make dots. Everything works, only several times as slowly.',
  );
  report(new Error(`Slow kernels. ${because}`));
}
