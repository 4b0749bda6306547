// What only a server or a command line needs: file formats and command schemas.
export * from './case/applicationsOfRecord';
export * from './contract/commands';
export * from './formats';
export * from './weather/lawnRisk';
export * from './program/scouting';
