// What only a server or a command line needs: file formats, the API's description, command schemas.
export * from './contract/commands';
export * from './contract/openApi';
export * from './formats';
export * from './weather/lawnRisk';
export * from './program/scouting';
