/** The checker, fetched when a record on this device has not been judged by the server. */
export { judgeRecord } from '@alfombra/core/judging';
