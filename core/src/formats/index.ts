export * from './customersCsv';
export * from './labelCsv';
export * from './lawnGeoJson';
export * from './photoPlace';
export * from './probeCsv';
export * from './soilReportCsv';
export * from './weatherCsv';
export * from './yearCsv';
