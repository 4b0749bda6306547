const { TextDecoder, TextEncoder } = require('node:util');

// jsdom has neither; zod and uuid ask for them.
Object.assign(globalThis, { TextDecoder, TextEncoder });
