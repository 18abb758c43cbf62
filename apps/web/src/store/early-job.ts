import type { JobView } from '@brachytone/job';

let early: { readonly id: string; readonly answer: Promise<JobView | undefined> } | undefined;

async function ask(id: string, come: (job: JobView) => void): Promise<JobView | undefined> {
  try {
    const response = await fetch(`/api/jobs/${id}`);
    if (!response.ok) return undefined;
    const job = (await response.json()) as JobView;
    come(job);
    return job;
  } catch {
    // The page asks again, and says what is wrong.
    return undefined;
  }
}

/** Asks for the job of the page's address before the page itself is read. */
export function askEarly(come: (job: JobView) => void): void {
  const id = /^\/jobs\/([^/]+)/.exec(location.pathname)?.[1];
  if (id) early = { id, answer: ask(id, come) };
}

/** What was asked for early, given once; undefined for any other job, or when it did not come. */
export async function takeEarly(id: string): Promise<JobView | undefined> {
  if (early?.id !== id) return undefined;
  const { answer } = early;
  early = undefined;
  return answer;
}
