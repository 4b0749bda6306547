import { usePathname } from 'expo-router';
import { useEffect, useRef, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import type { Text } from 'react-native';

/** The page that the focus was last brought to; none before the first one, which the browser opens itself. */
let arrivedAt: string | null = null;
let moved = false;

/**
 * Names the page in the browser's tab and, after a move inside the app, brings the focus to its heading,
 * as a browser does on a page of its own.
 * @param parts what the page is, then of what; empty parts are left out
 * @param isPage false for a list that stands beside the page
 * @returns goes on the heading
 */
export function useArrival(
  parts: readonly (string | undefined)[],
  isPage: boolean,
): RefObject<Text | null> {
  const { t } = useTranslation();
  const heading = useRef<Text>(null);
  const path = usePathname();
  const name = [...parts, t('app')].filter(Boolean).join(' · ');
  useEffect(() => {
    if (isPage) document.title = name;
  }, [isPage, name]);
  useEffect(() => {
    if (!isPage) return;
    if (arrivedAt !== null && arrivedAt !== path) moved = true;
    const isNew = arrivedAt !== path;
    arrivedAt = path;
    // A page that was still loading gives its heading, and with it the focus, away once more.
    const lost = document.activeElement === document.body || document.activeElement === null;
    if (moved && (isNew || lost)) (heading.current as unknown as HTMLElement | null)?.focus();
  }, [isPage, path]);
  return heading;
}
