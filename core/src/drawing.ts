// The plan as a picture. Apart from the index: lists and the door draw none.
export * from './lawn/planPicture';
export * from './lawn/zoneAt';
