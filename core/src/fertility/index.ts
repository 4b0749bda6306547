export * from './feedingRate';
export * from './growthPotential';
export * from './productForNutrient';
export * from './saltLoad';
export * from './soilReport';
