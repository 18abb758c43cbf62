export * from './treatment.ts';
export * from './lay-treatment.ts';
export * from './keep-treatment.ts';
export * from './treated-job.ts';
export * from './suits.ts';
export * from './shipped/index.ts';
