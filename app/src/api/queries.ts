/** What screens ask of the server and write to it. */
export * from './company';
export * from './keys';
export * from './lawnFile';
export * from './lawns';
export * from './revisions';
export * from './session';
export * from './signIn';
export * from './weather';
export * from './writes';
