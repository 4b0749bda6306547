const { existsSync } = require('node:fs');
const { join } = require('node:path');

const library = (name, file) => {
  const places = [join(__dirname, '../node_modules'), join(__dirname, '../../node_modules')];
  return places.map((place) => join(place, name, file)).find(existsSync);
};
/** Libraries whose index names every part of them, as ES modules. */
const LIBRARIES = {
  '@tanstack/query-core': library('@tanstack/query-core', 'build/modern/index.js'),
  '@tanstack/react-query': library('@tanstack/react-query', 'build/modern/index.js'),
  'react-i18next': library('react-i18next', 'dist/es/index.js'),
  uuid: library('uuid', 'dist/esm-browser/index.js'),
};

module.exports = { LIBRARIES };
