export * from './label';
export * from './shelf';
