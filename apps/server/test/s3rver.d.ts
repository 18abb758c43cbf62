/** The part of the package that tests use: a small server of the S3 protocol. */
declare module 's3rver' {
  export default class S3rver {
    constructor(options: {
      readonly port: number;
      readonly address: string;
      readonly silent: boolean;
      readonly directory: string;
      readonly configureBuckets: readonly { readonly name: string }[];
    });
    run(): Promise<unknown>;
    close(): Promise<void>;
  }
}
