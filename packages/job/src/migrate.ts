import { VERSION, type JobDocument } from './document.ts';
import { MIGRATIONS } from './migrations.ts';
import { jobSchema } from './schema.ts';

/** Brings a document of version `from` to version `from` + 1. */
export interface Migration {
  readonly from: number;
  readonly migrate: (document: Record<string, unknown>) => Record<string, unknown>;
}

/** A document that cannot be read; the message is for the person at the screen. */
export class UnreadableDocument extends Error {}

/**
 * Reads a document of any version this program knows: brings it up to date step by step, then checks it.
 *
 * @throws UnreadableDocument with a sentence that says what is wrong
 */
export function readDocument(
  value: unknown,
  migrations: readonly Migration[] = MIGRATIONS,
  present: number = VERSION,
): JobDocument {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw new UnreadableDocument('This is not a job document.');
  }
  let document = value as Record<string, unknown>;
  if (typeof document.version !== 'number') {
    throw new UnreadableDocument('This job document does not say its version.');
  }
  if (document.version > present) {
    throw new UnreadableDocument(
      `This job was saved by a newer Brachytone (document version ${document.version}); this one reads up to version ${present}.`,
    );
  }
  while (document.version !== present) {
    const step = migrations.find(({ from }) => from === document.version);
    if (!step)
      throw new UnreadableDocument(`Job documents of version ${String(document.version)} cannot be read.`);
    try {
      document = { ...step.migrate(document), version: step.from + 1 };
    } catch {
      // Steps take it that a document is of the shape of its version.
      throw new UnreadableDocument(
        `The job document is not right: it says that it is of version ${step.from}, and is not.`,
      );
    }
  }
  const result = jobSchema.validate(document, { convert: false, errors: { wrap: { label: '“”' } } });
  if (result.error) throw new UnreadableDocument(`The job document is not right: ${result.error.message}`);
  return result.value;
}

/**
 * A document of a newer version as far as this program knows what it says; undefined where that is not enough for a job. It is there to be looked at:
 * saved, it would lose what this program does not know.
 */
export function readAsFarAsKnown(value: unknown): JobDocument | undefined {
  const version = (value as { version?: unknown } | null)?.version;
  if (typeof version !== 'number' || version <= VERSION) return undefined;
  const result = jobSchema.validate(
    { ...(value as object), version: VERSION },
    { convert: false, stripUnknown: true },
  );
  return result.error ? undefined : result.value;
}
