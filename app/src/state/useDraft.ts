import { useState } from 'react';
import { useUnsaved } from './unsavedStore';

/**
 * A draft of something that may change behind it. As long as nobody has touched the draft it follows
 * its source; from the first change on it stays what it was made from, which is then the base of the
 * write, so that what others changed meanwhile is merged and not undone.
 */
export function useDraft<Source, Draft>(source: Source, make: (source: Source) => Draft) {
  const [state, setState] = useState(() => ({
    from: source,
    draft: make(source),
    touched: false,
  }));
  if (!state.touched && state.from !== source) {
    setState({ from: source, draft: make(source), touched: false });
  }
  useUnsaved(state.touched);
  return {
    from: state.from,
    draft: state.draft,
    setDraft: (draft: Draft) => setState({ from: state.from, draft, touched: true }),
  };
}
