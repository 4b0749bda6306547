export * from './applicationsOf';
export * from './reason';
export * from './seasonInput';
export * from './step';
export { standTolerance, tolerance } from './tolerance';
export * from './usage';
export type { StepWindow, WindowBasis } from './window';
