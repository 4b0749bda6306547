// Calculators of the field. Apart from the index: only the screens under Mix load them.
export * from './calculators';
