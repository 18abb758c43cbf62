/**
 * Compiles TypeScript for Jest, and hands every module the built-in objects as constants of its own: in the context that Jest runs
 * modules in, each use of a global name is a slow look-up, and loops over pixels take five times as long.
 */
import swc from '@swc/jest';

const NAMES =
  'Array,Atomics,DataView,Float32Array,Float64Array,Infinity,Int16Array,Int32Array,Int8Array,JSON,Map,Math,NaN,Number,Object,Set,String,Uint16Array,Uint32Array,Uint8Array,Uint8ClampedArray';

const compiler = swc.createTransformer({
  jsc: {
    parser: { syntax: 'typescript', tsx: true, decorators: true },
    transform: { legacyDecorator: true, decoratorMetadata: false },
    target: 'es2022',
  },
  module: { type: 'es6' },
});

export default {
  ...compiler,
  // On the first line, so that lines keep their numbers.
  process: (source, file, options) =>
    compiler.process(`const {${NAMES}}=globalThis;${source}`, file, options),
  processAsync: (source, file, options) =>
    compiler.processAsync(`const {${NAMES}}=globalThis;${source}`, file, options),
  getCacheKey: (source, file, options) => compiler.getCacheKey(source + NAMES, file, options),
};
