export * from './coverDecision';
export * from './seedRate';
