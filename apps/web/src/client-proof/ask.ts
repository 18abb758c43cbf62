import {
  PROOF_HEADER,
  type ClientProof,
  type ProofAnswer,
  type ProofComment,
  type SheetPlace,
} from '@brachytone/job';

/** The secret of the link that led here. */
export const secret = location.hash.slice(1);

/** Something the server refused, in its words. */
export class Refused extends Error {}

async function ask(path: string, init: RequestInit = {}): Promise<Response> {
  let answer: Response;
  try {
    answer = await fetch(`/api/proof${path}`, {
      ...init,
      headers: { [PROOF_HEADER]: secret, 'Content-Type': 'application/json' },
    });
  } catch {
    throw new Refused('The proof cannot be reached just now. Try again in a moment.');
  }
  if (answer.ok) return answer;
  const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string };
  throw new Refused(detail ?? 'This did not work. Try again in a moment.');
}

const send = (body: unknown): RequestInit => ({ method: 'POST', body: JSON.stringify(body) });

export const askProof = async (): Promise<ClientProof> => (await (await ask('')).json()) as ClientProof;

export const sayComment = async (said: {
  name: string;
  text: string;
  place: SheetPlace | null;
}): Promise<ProofComment> => (await (await ask('/comments', send(said))).json()) as ProofComment;

export const sendAnswer = async (answer: Omit<ProofAnswer, 'at'>): Promise<ProofAnswer> =>
  (await (await ask('/answer', send(answer))).json()) as ProofAnswer;

/** A picture of the proof. */
export const askPicture = async (path: string, signal: AbortSignal): Promise<ImageBitmap> =>
  createImageBitmap(await (await ask(path, { signal })).blob());
