import { createContext, type RefObject } from 'react';

/** The scrolling frame of a `Screen`. */
export type Scroller = RefObject<{ getScrollableNode: () => unknown } | null>;

/** The frame around, for a list that draws only what is in sight. */
export const ScrollerContext = createContext<Scroller | null>(null);
