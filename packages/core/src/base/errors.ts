/** What an original, a container or a route is made of. */
export type Material = 'picture' | 'drawing' | 'container' | 'typeface' | 'profile';

/** A file that a recipe names is not among the scene's materials. */
export class MissingMaterial extends Error {
  override readonly name = 'MissingMaterial';

  /**
   * @param material what is missing
   * @param of       name of the original it belongs to
   * @param sha256   of the file
   */
  constructor(
    readonly material: Material,
    readonly of: string,
    readonly sha256: string,
  ) {
    super(`The ${material} of “${of}” is missing.`);
  }
}

/** A document names a kind that no registry entry has. */
export class UnknownKind extends Error {
  override readonly name = 'UnknownKind';

  /**
   * @param registry what it would be a kind of: `screen`, `tone step`, `route`…
   * @param kind     the name that was asked for
   */
  constructor(
    readonly registry: string,
    readonly kind: string,
  ) {
    super(`There is no ${registry} of the kind “${kind}”.`);
  }
}

/** What was to be laid in the kernels' memory does not fit there. */
export class OutOfKernelMemory extends Error {
  override readonly name = 'OutOfKernelMemory';

  /**
   * @param bytes that were to be laid there
   * @param room  bytes that there are
   */
  constructor(
    readonly bytes: number,
    readonly room: number,
  ) {
    super(`${bytes} bytes do not fit into the ${room} that the kernels have for them.`);
  }
}
