import { TOKEN_HEADER } from '@brachytone/job';

let token = '';

/** Keeps what is to be sent along with changes. */
export const keepToken = (told: string): void => void (token = told);

/** Headers of a request that changes something. */
export const changeHeaders = (): Record<string, string> => (token === '' ? {} : { [TOKEN_HEADER]: token });
