import { countTests, type CountTestInput } from '@alfombra/core';
import { fieldTestCards, type NextCheck } from '@alfombra/core/walking';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { WalkDraft } from '@/state/walkStore';
import { ListRow, number, Tag } from '@/ui';

/** Every field test; those that tell most here and now stand first, in the order they had at the opening. */
export function TestList({
  walk,
  checks,
  onCount,
  onRead,
}: {
  walk: WalkDraft;
  checks: readonly NextCheck[];
  onCount: (test: CountTestInput['test']) => void;
  onRead: (test: string) => void;
}) {
  const { t } = useTranslation();
  const [worth] = useState(() => new Map(checks.map(({ sign, utility }) => [sign, utility])));
  const most = (signs: readonly string[]) =>
    Math.max(0, ...signs.map((sign) => worth.get(sign) ?? 0));
  const rows = [
    ...countTests.map((test) => {
      const used = walk.tests.find((entry) => entry.test === test.slug);
      return {
        slug: test.slug as string,
        worth: most([test.sign]),
        title: t(`test.${test.slug}`),
        line: used
          ? used.counts.map((count) => number(count)).join(', ')
          : t('walk.minutes', { value: number(test.seconds / 60) }),
        used: used !== undefined,
        testID: `test-${test.slug}`,
        open: () => onCount(test.slug),
      };
    }),
    ...fieldTestCards
      .filter(({ slug }) => !countTests.some((test) => test.slug === slug))
      .map((card) => ({
        slug: card.slug as string,
        worth: most(card.signs),
        title: t(`fieldTest.${card.slug}.name`),
        line: [
          t('walk.minutes', { value: number(Math.max(1, card.seconds / 60)) }),
          card.waitDays
            ? t('fieldUi.waitDays', { low: card.waitDays[0], high: card.waitDays[1] })
            : null,
        ]
          .filter(Boolean)
          .join(' · '),
        used: walk.fieldTests.some(({ test }) => test === card.slug),
        testID: `field-${card.slug}`,
        open: () => onRead(card.slug),
      })),
  ].sort((a, b) => Number(b.used) - Number(a.used) || b.worth - a.worth);
  return (
    <View className="gap-3">
      {rows.map((row) => (
        <ListRow
          key={row.slug}
          testID={row.testID}
          title={row.title}
          lines={[row.line]}
          aside={row.used ? <Tag label={t('test.inUse')} tone="good" /> : undefined}
          onPress={row.open}
        />
      ))}
    </View>
  );
}
