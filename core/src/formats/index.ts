export * from './weatherCsv';
