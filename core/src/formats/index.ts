export * from './customersCsv';
export * from './lawnGeoJson';
export * from './photoPlace';
export * from './soilReportCsv';
export * from './weatherCsv';
export * from './probeCsv';
export * from './yearCsv';
