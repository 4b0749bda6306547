export * from './need';
export * from './notHere';
export * from './reason';
export * from './seasonInput';
