import { tellApart } from '@alfombra/core/key';
import { useTranslation } from 'react-i18next';
import { Differences } from '@/features/key/Differences';
import { usePlantName } from '@/features/key/usePlantName';
import { Card, Empty, LinkButton, Screen } from '@/ui';
import { pairOf } from './pairSlug';

/** Two plants that are taken for one another, and every character that tells them apart. */
export function PairScreen({ slug }: { slug: string }) {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  const pair = pairOf(slug);
  const back = '/guide?view=pairs';
  if (!pair || tellApart(...pair).length === 0) {
    return (
      <Screen title={t('guide.title')} back={back}>
        <Empty title={t('guide.none', { query: slug })} />
      </Screen>
    );
  }
  const [a, b] = pair;
  return (
    <Screen
      title={t('key.pair', { a: nameOf(a), b: nameOf(b) })}
      lead={t('guide.pairLead')}
      back={back}
    >
      <Card>
        <Differences a={a} b={b} most={Number.POSITIVE_INFINITY} />
        {pair.map((plant) => (
          <LinkButton
            key={plant}
            kind="plain"
            label={nameOf(plant)}
            href={`/guide/plant/${plant}`}
          />
        ))}
      </Card>
    </Screen>
  );
}
