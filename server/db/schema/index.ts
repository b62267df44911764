export * from './files.ts';
export * from './installation.ts';
export * from './jobs.ts';
export * from './library.ts';
export * from './people.ts';
export * from './vehicles.ts';
export * from './work.ts';
