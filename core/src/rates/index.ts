export * from './activeIngredient';
export * from './application';
export * from './granules';
export * from './measuredAmount';
export * from './mixCard';
export * from './residual';
export * from './spray';
export * from './tankLoads';
