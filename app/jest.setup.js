const { TextDecoder, TextEncoder } = require('node:util');
const { deserialize, serialize } = require('node:v8');

// jsdom has none of these; zod and uuid ask for the first two, the worker's messages for the third.
Object.assign(globalThis, {
  TextDecoder,
  TextEncoder,
  structuredClone: (value) => deserialize(serialize(value)),
});
