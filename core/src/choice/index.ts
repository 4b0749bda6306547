export { standTolerance, tolerance } from './tolerance';
export * from './usage';
export type { StepWindow, WindowBasis } from './window';
