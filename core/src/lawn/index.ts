export * from './area';
export * from './areaInterval';
export * from './localPlane';
export * from './siteFactors';
export * from './siteVerdicts';
export * from './stand';
export * from './wilson';
export * from './zone';
