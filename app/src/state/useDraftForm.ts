import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { useDraftStore } from './draftStore';
import { useUnsaved } from './unsavedStore';

export interface DraftForm<Draft extends FieldValues, Read, Source> {
  form: UseFormReturn<Draft, unknown, Read>;
  /** What the draft was made from: the base of the write, so that what others changed meanwhile is merged. */
  from: Source;
  /** Something was typed that is not saved. */
  unsaved: boolean;
  /** The draft was saved. */
  done: () => void;
  /** Gives up what was typed. */
  discard: () => void;
}

/**
 * A form over something that may change behind it. Untouched it follows its source; from the first change
 * on it stays what it was made from and is kept on the device until it is saved. Its schema says what the
 * typed fields mean and which of them is wrong.
 * @param key names the form and what it is about; two forms with one key share their draft
 */
export function useDraftForm<Draft extends FieldValues, Read, Source>({
  key,
  source,
  make,
  schema,
}: {
  key: string;
  source: Source;
  make: (source: Source) => Draft;
  schema: z.ZodType<Read, Draft>;
}): DraftForm<Draft, Read, Source> {
  const kept = useDraftStore(({ drafts }) => drafts[key]);
  const drop = useDraftStore(({ drop: away }) => away);
  const [opened] = useState(() => {
    const from = kept ? (kept.from as Source) : source;
    // Fields that came with a newer version of the app are not in an older draft.
    return { from, values: { ...make(from), ...(kept?.values as Draft | undefined) } };
  });
  const form = useForm<Draft, unknown, Read>({
    defaultValues: opened.values as DefaultValues<Draft>,
    resolver: zodResolver(schema),
    mode: 'onTouched',
  });
  const base = useRef(opened.from);
  const { subscribe, reset } = form;
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values }) => {
          const { drafts, keep, drop: away } = useDraftStore.getState();
          // A field says its value once when it appears; that is no change of anybody's.
          const same = JSON.stringify(values) === JSON.stringify(make(base.current));
          if (!same) keep(key, { values, from: base.current, at: Date.now() });
          else if (drafts[key]) away(key);
        },
      }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `make` is the same work at every render
    [key, subscribe],
  );
  useEffect(() => {
    if (kept || base.current === source) return;
    base.current = source;
    reset(make(source));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- as above
  }, [source, kept, reset]);
  useUnsaved(kept !== undefined);
  return {
    form,
    from: kept ? (kept.from as Source) : source,
    unsaved: kept !== undefined,
    done: () => drop(key),
    discard: () => {
      drop(key);
      base.current = source;
      reset(make(source));
    },
  };
}
