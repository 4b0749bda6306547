// The checker, and labels beside the library. Apart from the index: the first screens judge nothing.
export * from './checker';
export * from './contract/judgeRecord';
export * from './contract/lowPhosphorus';
export * from './products/labelled';
