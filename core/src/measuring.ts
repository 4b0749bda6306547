// Measuring and drawing a plan. Apart from the index: only the screens that measure load it.
export * from './lawn/editOutline';
export * from './lawn/overlaps';
export * from './lawn/tape';
export * from './lawn/walkedOutline';
