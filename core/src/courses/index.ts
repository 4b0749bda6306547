export * from './applicationsOf';
export * from './handWork';
export * from './job';
export * from './step';
