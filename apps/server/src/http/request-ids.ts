import { AsyncLocalStorage } from 'node:async_hooks';

const ids = new AsyncLocalStorage<string>();

/** Does something for a request; whatever it leads to knows the request's id. */
export const forRequest = (id: string, work: () => void): void => ids.run(id, work);

/** Id of the request that this is done for; undefined where it is done for none. */
export const requestId = (): string | undefined => ids.getStore();
