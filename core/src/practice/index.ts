export * from './practiceCase';
