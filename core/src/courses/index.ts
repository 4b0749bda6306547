export * from './applicationsOf';
export * from './handWork';
export * from './step';
