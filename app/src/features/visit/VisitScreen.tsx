import { type Lawn, type Visit } from '@alfombra/core';
import { useRouter, type Href } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { useCompany, useLawn, usePutVisit, useSession, useVisits } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { pointCountOf } from '@/features/zone/pointCountStore';
import { useDraftForm } from '@/state/useDraftForm';
import { useWalkStore } from '@/state/walkStore';
import { Button, Card, Failed, FormField, Loading, Screen, Title } from '@/ui';
import { openThings, type OpenThing } from './openThings';
import { QuestionsCard } from './QuestionsCard';
import { VisitRows } from './VisitRows';

const visitFormSchema = z.object({
  note: z.string().trim().max(2000, 'property.tooLong'),
  promised: z.string().trim().max(500, 'property.tooLong'),
});

/** The visit: the property in walking order, what is done and what is not, and its end. */
export function VisitScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const company = useCompany(lawn?.property.timeZone).data;
  const visits = useVisits(lawnId).data;
  const back = `/lawns/${lawnId}`;
  if (!lawn || !company || !visits) {
    return (
      <Screen title={t('visit.title')} back={back}>
        <Loading />
      </Screen>
    );
  }
  return <Hub lawn={lawn} today={company.today} visits={visits} back={back} />;
}

function Hub({
  lawn,
  today,
  visits,
  back,
}: {
  lawn: Lawn;
  today: Visit['date'];
  visits: readonly Visit[];
  back: string;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const session = useSession();
  const going = useWalkStore((state) => state.visits[lawn.id]);
  const endVisit = useWalkStore((state) => state.endVisit);
  const beginVisit = useWalkStore((state) => state.beginVisit);
  const putVisit = usePutVisit(lawn.id);
  const current = visits.find(({ id }) => id === going?.visitId);
  const { form, done } = useDraftForm({
    key: `visit:${lawn.id}`,
    source: current ?? null,
    make: (source) => ({ note: source?.note ?? '', promised: source?.promised ?? '' }),
    schema: visitFormSchema,
  });
  const { control } = form;
  const open = openThings(lawn, current);
  const next = open[0];
  const to = (path: string) => `/lawns/${lawn.id}/${path}`;
  const start = useWalkStore((state) => state.start);
  const begin = (patchId: string) => {
    const patch = lawn.patches.find(({ id }) => id === patchId);
    if (patch) start(lawn.id, patch.zoneId, patch.id, beginVisit(lawn.id, today));
    router.push(to('walk') as Href);
  };
  const nextWords = (thing: OpenThing) =>
    thing.kind === 'measure'
      ? t('visitHub.measure')
      : thing.kind === 'grass'
        ? t('visitHub.grass', {
            zone: lawn.zones.find(({ id }) => id === thing.zoneId)?.name ?? '',
          })
        : t('visitHub.patch', {
            number: lawn.patches.find(({ id }) => id === thing.patchId)?.number ?? 0,
          });
  const goOn = (thing: OpenThing) => {
    if (thing.kind === 'patch') begin(thing.patchId);
    else router.push(to(thing.kind === 'measure' ? 'plan' : `zone/${thing.zoneId}`) as Href);
  };
  const end = form.handleSubmit(({ note, promised }) => {
    const id = going?.visitId ?? uuid();
    const looks = current?.looks ?? [];
    const counted = lawn.zones.flatMap((zone) => {
      const pointCount = pointCountOf(zone.id);
      // A count that a look of this zone has taken along is not written twice.
      return !pointCount || looks.some((look) => look.zoneId === zone.id && look.pointCount)
        ? []
        : [
            {
              zoneId: zone.id,
              patchId: null,
              answers: {},
              tests: [],
              fieldTests: [],
              leading: [],
              decision: null,
              weeds: [],
              pointCount,
            },
          ];
    });
    putVisit.mutate(
      {
        id,
        body: {
          lawnId: lawn.id,
          date: today,
          technician: session.data?.name ?? '',
          looks: [...looks, ...counted],
          note,
          promised,
        },
      },
      {
        onSuccess: () => {
          done();
          endVisit(lawn.id);
          router.replace(`/lawns/${lawn.id}/report?visit=${id}`);
        },
      },
    );
  });
  return (
    <Screen
      title={t('visit.title')}
      lead={lawn.name}
      subject={lawn.name}
      back={back}
      footer={
        <>
          {putVisit.error ? (
            <Failed message={`${words(putVisit.error)} ${t('common.kept')}`} />
          ) : null}
          {next ? <Button label={nextWords(next)} onPress={() => goOn(next)} wide /> : null}
          <Button
            kind={next ? 'quiet' : 'main'}
            label={t('visit.end')}
            onPress={() => void end()}
            busy={putVisit.isPending ? t('common.loading') : null}
            testID="end-visit"
            wide
          />
        </>
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <VisitRows lawn={lawn} open={open} today={today} />
        <View className="gap-4 lg:flex-1">
          <QuestionsCard lawn={lawn} today={today} />
          <Card>
            <Title>{t('visit.words')}</Title>
            <FormField
              control={control}
              name="note"
              label={t('visit.found')}
              multiline
              testID="visit-note"
            />
            <FormField
              control={control}
              name="promised"
              label={t('visit.promised')}
              multiline
              testID="visit-promised"
            />
          </Card>
        </View>
      </View>
    </Screen>
  );
}
