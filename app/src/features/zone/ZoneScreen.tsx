import { type Lawn, type Zone } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawn, usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Failed, LinkButton, Loading, Screen } from '@/ui';
import { AimCard } from './AimCard';
import { PointCountCard } from './PointCountCard';
import { SiteCard } from './SiteCard';
import { StandCard } from './StandCard';
import { SunAndSoilCard } from './SunAndSoilCard';
import { TextureCard } from './TextureCard';
import { zoneDraft, zoneFormSchema, zoneOf } from './zoneDraft';

/** One zone: the grasses of its stand, the point count, and what the site is like. */
export function ZoneScreen({ lawnId, zoneId }: { lawnId: string; zoneId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const zone = lawn?.zones.find(({ id }) => id === zoneId);
  const back = `/lawns/${lawnId}/visit`;
  if (!lawn || !zone) {
    return (
      <Screen title={t('zone.title')} back={back}>
        <Loading />
      </Screen>
    );
  }
  return <Form key={zone.id} lawn={lawn} zone={zone} back={back} />;
}

function Form({ lawn, zone, back }: { lawn: Lawn; zone: Zone; back: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const { form, from, unsaved, done, discard } = useDraftForm({
    key: `zone:${zone.id}`,
    source: lawn,
    make: (source) => zoneDraft(source.zones.find(({ id }) => id === zone.id) ?? zone),
    schema: zoneFormSchema,
  });
  const save = form.handleSubmit((read) =>
    putLawn.mutate(
      {
        from,
        lawn: {
          ...from,
          zones: from.zones.map((entry) => (entry.id === zone.id ? zoneOf(entry, read) : entry)),
        },
      },
      {
        onSuccess: () => {
          done();
          router.push(back);
        },
      },
    ),
  );
  return (
    <Screen
      title={zone.name}
      lead={lawn.name}
      subject={lawn.name}
      back={back}
      footer={
        <>
          {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
          <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
          <Button
            label={t('common.save')}
            onPress={() => void save()}
            busy={putLawn.isPending ? t('common.loading') : null}
            testID="save-zone"
            wide
          />
        </>
      }
    >
      <LinkButton
        kind="plain"
        label={t('rateCard.open')}
        href={`/lawns/${lawn.id}/rates?zone=${zone.id}`}
      />
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <StandCard form={form} keyHref={`/lawns/${lawn.id}/key?zone=${zone.id}`} />
          <PointCountCard zone={zone} form={form} />
          <AimCard form={form} />
        </View>
        <View className="gap-4 lg:flex-1">
          <SunAndSoilCard form={form} />
          <SiteCard form={form} />
          <TextureCard form={form} />
        </View>
      </View>
    </Screen>
  );
}
