// The planner and its efficacy table. Apart from the index, so that the app's main thread, which
// never plans, does not load them: the worker, the server and the command line do.
export * from './knowledge/efficacy';
export * from './program/chooseMix';
export * from './program/chooseWalks';
export * from './program/exactWalks';
export * from './program/lawnSeason';
export * from './program/planSeason';
export * from './program/rateCard';
export { zoneCaseOf } from './program/zoneCase';
export * from './weather/lawnRisk';
export * from './program/scouting';
export * from './program/stepChoices';
export * from './case/protection';
