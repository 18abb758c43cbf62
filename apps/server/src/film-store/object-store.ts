import { createReadStream } from 'node:fs';
import { mkdir, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import {
  DeleteObjectsCommand,
  GetObjectCommand,
  HeadObjectCommand,
  NoSuchKey,
  NotFound,
  paginateListObjectsV2,
  S3Client,
} from '@aws-sdk/client-s3';
import { Upload } from '@aws-sdk/lib-storage';
import type { FilmStore } from './film-store.ts';

/** Where films are in an object store: a bucket, and what their names begin with there. */
export interface Bucket {
  readonly name: string;
  /** Empty, or with a stroke at its end. */
  readonly prefix: string;
}

/** Objects that are deleted at once: as many as the protocol takes. */
const DELETED_AT_ONCE = 1000;

/**
 * Films in a store that speaks Amazon's S3 protocol. They are made on this machine, and go there once they are whole. Address, region and keys come from
 * the environment, by the names that programs of that protocol share (`AWS_ENDPOINT_URL`, `AWS_REGION`, `AWS_ACCESS_KEY_ID`, `AWS_SECRET_ACCESS_KEY`).
 */
export class ObjectStore implements FilmStore {
  private readonly client = new S3Client({
    // Stores of one's own have no name of their own for each bucket, and not all of them know newer sums.
    forcePathStyle: true,
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  });

  /** @param folder for films that are being made on this machine */
  constructor(
    private readonly bucket: Bucket,
    private readonly folder: string,
  ) {}

  async making(run: string): Promise<string> {
    const folder = join(this.folder, run);
    await mkdir(folder, { recursive: true });
    return folder;
  }

  async put(run: string, file: string): Promise<void> {
    const path = join(this.folder, run, file);
    await this.write(run, file, createReadStream(path));
    await rm(path);
  }

  async write(run: string, file: string, bytes: Readable): Promise<void> {
    await new Upload({ client: this.client, params: { ...this.object(run, file), Body: bytes } }).done();
  }

  async read(run: string, file: string): Promise<Readable | undefined> {
    try {
      return (await this.client.send(new GetObjectCommand(this.object(run, file)))).Body as Readable;
    } catch (error) {
      if (error instanceof NoSuchKey) return undefined;
      throw error;
    }
  }

  async has(run: string, file: string): Promise<boolean> {
    try {
      await this.client.send(new HeadObjectCommand(this.object(run, file)));
      return true;
    } catch (error) {
      if (error instanceof NotFound) return false;
      throw error;
    }
  }

  async runs(): Promise<readonly string[]> {
    const here = await readdir(this.folder).catch(() => []);
    const there = await this.keys('');
    return [...new Set([...here, ...there.map((key) => key.slice(0, key.indexOf('/')))])];
  }

  async files(run: string): Promise<readonly string[]> {
    return (await this.keys(`${run}/`)).map((key) => key.slice(run.length + 1));
  }

  async drop(run: string): Promise<void> {
    await rm(join(this.folder, run), { recursive: true, force: true });
    const keys = await this.keys(`${run}/`);
    for (let first = 0; first < keys.length; first += DELETED_AT_ONCE) {
      const some = keys.slice(first, first + DELETED_AT_ONCE);
      await this.client.send(
        new DeleteObjectsCommand({
          Bucket: this.bucket.name,
          Delete: { Objects: some.map((key) => ({ Key: this.bucket.prefix + key })), Quiet: true },
        }),
      );
    }
  }

  private object(run: string, file: string) {
    return { Bucket: this.bucket.name, Key: `${this.bucket.prefix}${run}/${file}` };
  }

  /** Names of all objects that begin so, without the bucket's own prefix. */
  private async keys(beginning: string): Promise<string[]> {
    const { name, prefix } = this.bucket;
    const pages = paginateListObjectsV2(
      { client: this.client },
      { Bucket: name, Prefix: prefix + beginning },
    );
    const keys: string[] = [];
    for await (const { Contents = [] } of pages)
      for (const { Key = '' } of Contents) keys.push(Key.slice(prefix.length));
    return keys;
  }
}
