// The checker, and labels beside the library. Apart from the index: the first screens judge nothing.
export * from './checker';
export * from './case/judgeContext';
export * from './case/judgeRecord';
export * from './products/labelled';
