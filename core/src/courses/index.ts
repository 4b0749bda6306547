export * from './applicationsOf';
export * from './step';
