export * from './need';
export * from './reason';
export * from './seasonInput';
