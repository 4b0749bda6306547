// File formats. Apart from the index: only the screens that take files in and out load them.
export * from './formats';
