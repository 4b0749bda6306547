// Soil, heat, water and growth of a lawn's year. Apart from the index: the season's worker, its
// screens and the server load it.
export * from './knowledge/degreeDayModels';
export * from './knowledge/soilThresholds';
export * from './knowledge/water';
export * from './program/lawnYear';
export * from './water';
export * from './weather/analyticSoil';
export * from './weather/degreeDays';
export * from './weather/evapotranspiration';
export * from './weather/hindcast';
