export * from './answeredSigns';
export * from './argument';
export * from './countTest';
export * from './diagnose';
export * from './diagnosisInput';
export * from './poissonInterval';
export { entropyBits } from './posterior';
export * from './prior';
