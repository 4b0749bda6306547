export * from './area';
export * from './stand';
export * from './zone';
