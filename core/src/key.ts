// The plant key and its matrix. Apart from the index: only the key's own screens load them.
export * from './identify/index';
export * from './knowledge/key';
