// Measuring a photo. Apart from the index: only the photo worker and its screen load it.
export * from './knowledge/photoRules';
export * from './lawn/photoMeasure';
