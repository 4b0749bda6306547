// Go, hold or adjust at the lawn. Apart from the index: only the card of a step loads it.
export * from './checker/atKerb';
export * from './case/judgeContext';
