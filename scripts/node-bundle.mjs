/** Bundles sources for Node.js. */
import { rolldown } from 'rolldown';

/** The project's own, and what its compiler calls. */
const OWN = /^(\.|\/|@brachytone\/|@oxc-project\/runtime\/|\0)/;
/** Registry packages stay as installed. */
const FROM_REGISTRY = (id) => !OWN.test(id);

/**
 * How each source is bundled, by itself: threads and commands are started by their files.
 *
 * @param sources by the names of the files that are made
 * @param dir     where these go
 * @param outside tells of an import whether it stays one, or packages that do
 */
export const nodeBundles = (sources, dir, outside = FROM_REGISTRY) =>
  Object.entries(sources).map(([name, source]) => ({
    input: { [name]: source },
    platform: 'node',
    external: outside,
    transform: { target: 'node20' },
    output: {
      dir,
      format: 'esm',
      sourcemap: true,
      codeSplitting: false,
      // A constant is part of what the innermost loops are compiled to; a variable is read, and its kind looked at, in every turn.
      topLevelVar: false,
    },
  }));

/** Writes the bundles of some sources. */
export async function bundleForNode(...given) {
  for (const { output, ...rest } of nodeBundles(...given)) {
    const bundle = await rolldown(rest);
    await bundle.write(output);
    await bundle.close();
  }
}
