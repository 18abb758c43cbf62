/** What the server runs with. */
export const SERVER_ENV: Record<string, string | undefined>;
