export * from './reason';
export * from './seasonInput';
