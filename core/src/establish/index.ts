export * from './coverDecision';
export * from './seedRate';
export * from './wilson';
