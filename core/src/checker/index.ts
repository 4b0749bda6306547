export * from './checkApplication';
export * from './finding';
