export * from './document.ts';
export * from './limits.ts';
export * from './schema.ts';
export * from './migrate.ts';
export * from './sheets.ts';
export * from './placing.ts';
export * from './defaults.ts';
export * from './views.ts';
