import { useEffect, useId } from 'react';
import { create } from 'zustand';

/** Forms on the screen that hold something typed and not kept yet, by an id of their own. */
export const useUnsavedStore = create<{ forms: readonly string[] }>()(() => ({ forms: [] }));

/** Says that a form holds something that a reload would lose, as long as it does. */
export function useUnsaved(unsaved: boolean): void {
  const id = useId();
  useEffect(() => {
    if (!unsaved) return undefined;
    useUnsavedStore.setState(({ forms }) => ({ forms: [...forms, id] }));
    return () =>
      useUnsavedStore.setState(({ forms }) => ({ forms: forms.filter((form) => form !== id) }));
  }, [id, unsaved]);
}
