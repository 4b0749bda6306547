export * from './applicationsOf';
export * from './handWork';
export * from './job';
export * from './step';
export { FALL_ROUND } from './fallRound';
