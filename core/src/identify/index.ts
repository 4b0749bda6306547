export * from './identify';
export * from './tellApart';
