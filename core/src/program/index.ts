export * from './chooseMix';
export * from './lawnSeason';
export * from './planSeason';
export * from './reason';
export * from './seasonInput';
export * from './step';
export { standTolerance, tolerance } from './tolerance';
export * from './usage';
export type { StepWindow, WindowBasis } from './window';
