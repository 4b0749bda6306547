/** What crosses the wire at the door: fetched when it is answered, not with the page. */
export { userSchema } from '@alfombra/core';
