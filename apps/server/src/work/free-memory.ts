import { promisify } from 'node:util';

type Trim = (pad: number) => Promise<number>;

/**
 * `malloc_trim` of the GNU C library (malloc_trim(3)): gives whole pages that lie free between what is in use back to the system, which freeing alone does
 * only at an end of the heap. Undefined with another C library, or where foreign functions cannot be called.
 */
async function trimOfSystem(): Promise<Trim | undefined> {
  try {
    const { default: koffi } = await import('koffi');
    const call = koffi.load('libc.so.6').func('int malloc_trim(size_t pad)');
    return promisify(call.async) as Trim;
  } catch {
    return undefined;
  }
}

let trim: Promise<Trim | undefined> | undefined;

/** Gives memory that nothing uses back to the system, beside what is going on; does nothing where the system cannot. */
export async function giveFreeMemoryBack(): Promise<void> {
  trim ??= trimOfSystem();
  await (
    await trim
  )?.(0);
}
