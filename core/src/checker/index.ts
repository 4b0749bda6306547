export * from './checkApplication';
export * from './checkContext';
export * from './finding';
