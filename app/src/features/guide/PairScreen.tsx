import { tellApart } from '@alfombra/core/key';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Differences } from '@/features/key/Differences';
import { usePlantName } from '@/features/key/usePlantName';
import { Button, Card, Empty, Screen } from '@/ui';
import { pairOf } from './pairSlug';

/** Two plants that are taken for one another, and every character that tells them apart. */
export function PairScreen({ slug }: { slug: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const nameOf = usePlantName();
  const pair = pairOf(slug);
  const onBack = () => router.push('/guide?view=pairs');
  if (!pair || tellApart(...pair).length === 0) {
    return (
      <Screen title={t('guide.title')} onBack={onBack}>
        <Empty title={t('guide.none', { query: slug })} />
      </Screen>
    );
  }
  const [a, b] = pair;
  return (
    <Screen
      title={t('key.pair', { a: nameOf(a), b: nameOf(b) })}
      lead={t('guide.pairLead')}
      onBack={onBack}
    >
      <Card>
        <Differences a={a} b={b} most={Number.POSITIVE_INFINITY} />
        {pair.map((plant) => (
          <Button
            key={plant}
            kind="plain"
            label={nameOf(plant)}
            onPress={() => router.push(`/guide/plant/${plant}`)}
          />
        ))}
      </Card>
    </Screen>
  );
}
