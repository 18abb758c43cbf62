export * from './series.ts';
export * from './member-document.ts';
export * from './series-films.ts';
export * from './series-table.ts';
