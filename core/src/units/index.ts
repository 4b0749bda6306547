export * from './area';
export * from './localDate';
export * from './measure';
export * from './quantity';
export * from './rate';
export * from './temperature';
export * from './timeZone';
export * from './readKey';
