export * from './chosenCourse';
export * from './decisionKey';
export * from './need';
export * from './notHere';
export * from './pins';
export * from './reason';
export * from './seasonInput';
