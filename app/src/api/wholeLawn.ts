import { lawnSchema, type Lawn } from '@alfombra/core';

/** What each field of a lawn is where nobody has said anything. */
const UNSAID = Object.fromEntries(
  Object.entries(lawnSchema.shape).flatMap(([key, field]) => {
    const { success, data } = field.safeParse(undefined);
    return success ? [[key, data]] : [];
  }),
);

/** A lawn with every field that this app reads: what waits in the outbox may have been written by an older one. */
export const wholeLawn = (lawn: Lawn): Lawn => ({ ...UNSAID, ...lawn });
