// Made-up devices that both the app and the server's demo use.
export * from './lawn/turfPicture';
