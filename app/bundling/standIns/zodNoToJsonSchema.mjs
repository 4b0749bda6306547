// JSON Schemas are made on the server and by the command line; the app never asks for one.
const none = () => {
  throw new Error('There are no JSON Schemas in the app.');
};
export const createToJSONSchemaMethod = () => none;
export const createStandardJSONSchemaMethod = () => none;
export const extractDefs = none;
export const finalize = none;
export const initializeContext = none;
export const processSchema = none;
export const handleUnrepresentable = none;
