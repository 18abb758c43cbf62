/** True where people sign in; the server tells it with the page. */
export const isShared = (): boolean => 'shared' in document.documentElement.dataset;
