// JSON Schemas are made on the server and by the command line; the app never asks for one.
export const fromJSONSchema = undefined;
