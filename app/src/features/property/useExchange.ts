import { useEffect, useState } from 'react';

type Exchange = typeof import('@alfombra/core/exchange');

let loading: Promise<Exchange> | undefined;

/** The file formats, fetched when a file first goes in or out: no screen starts with them. */
export const exchange = (): Promise<Exchange> => (loading ??= import('@alfombra/core/exchange'));

/** The file formats for a screen that reads as somebody types; `null` until they are there. */
export function useExchange(): Exchange | null {
  const [formats, setFormats] = useState<Exchange | null>(null);
  useEffect(() => {
    void exchange().then((loaded) => setFormats(() => loaded));
  }, []);
  return formats;
}
