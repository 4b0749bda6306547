export * from './catchCans';
export * from './cycleSoak';
export * from './soilBalance';
