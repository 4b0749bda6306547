// The planner and its efficacy table. Apart from the index, so that the app's main thread, which
// never plans, does not load them: the worker, the server and the command line do.
export * from './knowledge/efficacy';
export * from './choice/chooseMix';
export * from './choice/chooseWalks';
export * from './choice/exactWalks';
export * from './program/lawnSeason';
export * from './program/lookAhead';
export * from './program/moves';
export * from './program/plan';
export * from './program/planSeason';
export * from './program/rateCard';
export { zoneCaseOf } from './choice/zoneCase';
export * from './weather/lawnRisk';
export * from './program/scouting';
export * from './program/stepChoices';
export * from './program/threads';
export * from './case/judgePins';
export * from './case/lawnQuestion';
export * from './case/protection';
export * from './case/rememberedQuestion';
