export * from './manifest.ts';
export * from './read-archive.ts';
