// What only a walk and the Guide need: the diagnosis, field tests, signs that answer themselves. Apart from the index,
// like the planner, so that the first screens do not load them.
export * from './case/gatheredSigns';
export * from './diagnosis';
export * from './diagnosis/fieldTests';
export * from './knowledge/fieldTestCards';
export * from './practice';
export * from './program/decideOptions';
export * from './case/protection';
