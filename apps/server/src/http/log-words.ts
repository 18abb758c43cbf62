/** What the log says of an error: a failed query without its values, for documents and files are nobody's business. */
export function logWords(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const { message, stack = '', cause } = error;
  const frames = stack.split('\n').filter((line) => /^\s+at /.test(line));
  const [said] = message.split('\nparams:');
  const why = cause instanceof Error ? `\nbecause of ${cause.name}: ${cause.message}` : '';
  return [`${error.name}: ${said.slice(0, 1000)}${why}`, ...frames].join('\n');
}
