export * from './applicationRecord';
export * from './company';
export * from './failure';
export * from './lawn';
export * from './reading';
export * from './session';
export * from './visit';
export * from './weatherImport';
