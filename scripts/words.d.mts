/** Every string in a file that a person may read, in order. */
export function wordsOf(file: string, source?: string): string[];
/** Files whose words people meet. */
export function wordFiles(): string[];
