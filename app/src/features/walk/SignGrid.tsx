import { signs, type Posture } from '@alfombra/core';
import { type NextCheck } from '@alfombra/core/walking';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Chip, Words } from '@/ui';
import { SignChip, type SignState } from './SignChip';

/** Chips shown before "all signs" is asked for. */
const FIRST = 12;

export interface SignGridProps {
  posture: Posture;
  stateOf: (slug: string) => SignState;
  /** Words beside signs that were answered by something else than a tap. */
  noteOf: (slug: string) => string | null;
  checks: readonly NextCheck[];
  onAnswer: (slug: string, value: boolean | null) => void;
  onHow: (slug: string) => void;
  columns: number;
}

/**
 * The signs of one posture as chips: the most telling first, in the order they had when the tab was
 * opened, so that nothing jumps under the thumb while answers come in.
 */
export function SignGrid(props: SignGridProps) {
  const { posture, stateOf, noteOf, checks, onAnswer, onHow, columns } = props;
  const { t } = useTranslation();
  const [all, setAll] = useState(posture === 'context');
  const [order] = useState(() => {
    const worth = new Map(checks.map(({ sign, utility }) => [sign, utility]));
    const answered = (slug: string) => (stateOf(slug) === 'open' ? 0 : 1);
    return signs
      .filter((sign) => sign.posture === posture)
      .map(({ slug }) => slug)
      .sort((a, b) => answered(b) - answered(a) || (worth.get(b) ?? 0) - (worth.get(a) ?? 0));
  });
  const shown = useMemo(
    () => (all ? order : order.filter((slug, i) => i < FIRST || stateOf(slug) !== 'open')),
    [all, order, stateOf],
  );
  return (
    <View className="gap-3">
      <View className="flex-row flex-wrap gap-2.5">
        {shown.map((slug) => {
          const note = noteOf(slug);
          return (
            <View key={slug} style={{ width: `${100 / columns - 1.6}%` }} className="grow">
              <SignChip
                slug={slug}
                state={stateOf(slug)}
                onAnswer={(value) => onAnswer(slug, value)}
                onHow={() => onHow(slug)}
              />
              {note ? (
                <Words size="note" tone="quiet" className="px-2 pt-0.5">
                  {note}
                </Words>
              ) : null}
            </View>
          );
        })}
      </View>
      {order.length > FIRST ? (
        <View className="flex-row">
          <Chip
            label={all ? t('walk.usefulSigns') : `${t('walk.allSigns')} (${order.length})`}
            chosen={false}
            onPress={() => setAll(!all)}
          />
        </View>
      ) : null}
    </View>
  );
}
