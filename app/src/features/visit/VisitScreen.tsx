import {
  areaInterval,
  findingsOf,
  type Lawn,
  type QuestionSubject,
  type Visit,
} from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import {
  useCompany,
  useLawn,
  usePhotos,
  usePutLawn,
  usePutVisit,
  useReadings,
  useSamples,
  useSession,
  useVisits,
} from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { questionWords } from '@/features/report/questionWords';
import { useWalkStore } from '@/state/walkStore';
import {
  Button,
  Card,
  Chip,
  Failed,
  Field,
  ListRow,
  Loading,
  number,
  Screen,
  SelectField,
  Title,
  Words,
} from '@/ui';
import { drawnWeeds, withDrawn } from './drawnWeeds';
import { pointCountOf } from '@/features/zone/pointCountStore';

/** The visit: the property in walking order, what is done and what is not, and its end. */
export function VisitScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const company = useCompany().data;
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
  const photos = usePhotos(lawn.id).data ?? [];
  const readings = useReadings(lawn.id).data ?? [];
  const samples = useSamples(lawn.id).data ?? [];
  const putVisit = usePutVisit(lawn.id);
  const current = visits.find(({ id }) => id === going?.visitId);
  const [note, setNote] = useState(current?.note ?? '');
  const [promised, setPromised] = useState(current?.promised ?? '');
  const to = (path: string) => `/lawns/${lawn.id}/${path}`;
  const todays = (list: readonly { date: string }[]) =>
    list.filter(({ date }) => date === today).length;
  const end = () => {
    const id = going?.visitId ?? uuid();
    const looked = new Set((current?.looks ?? []).map(({ zoneId }) => zoneId));
    const seen = lawn.zones.flatMap((zone) => {
      const pointCount = pointCountOf(zone.id);
      const drawn = drawnWeeds(lawn, zone.id);
      if (looked.has(zone.id) || (!pointCount && drawn.length === 0)) return [];
      const known = findingsOf(visits).find(({ zoneId }) => zoneId === zone.id)?.weeds ?? [];
      return [
        {
          zoneId: zone.id,
          patchId: null,
          answers: {},
          tests: [],
          fieldTests: [],
          leading: [],
          decision: null,
          weeds: withDrawn(known, drawn),
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
          looks: [...(current?.looks ?? []), ...seen],
          note: note.trim(),
          promised: promised.trim(),
        },
      },
      {
        onSuccess: () => {
          endVisit(lawn.id);
          router.replace(`/lawns/${lawn.id}/report?visit=${id}`);
        },
      },
    );
  };
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
          <Button
            label={t('visit.end')}
            onPress={end}
            busy={putVisit.isPending ? t('common.loading') : null}
            testID="end-visit"
            wide
          />
        </>
      }
    >
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-3 lg:flex-1">
          <ListRow
            testID="to-plan"
            title={t('visit.plan')}
            lines={[
              lawn.zones.length === 0
                ? t('visit.notMeasured')
                : t('visit.measured', {
                    count: lawn.zones.length,
                    area: number(
                      lawn.zones.reduce((sum, zone) => sum + areaInterval(zone).areaFt2, 0),
                    ),
                  }),
              t('visit.marks', {
                pins: lawn.pins.length + lawn.lines.length,
                weeds: lawn.weedPatches.length,
              }),
            ]}
            href={to('plan')}
          />
          {lawn.zones.map((zone) => {
            const { low, high } = areaInterval(zone);
            return (
              <ListRow
                key={zone.id}
                testID={`zone-${zone.name}`}
                title={zone.name}
                lines={[
                  t('plan.areaBetween', { low: number(low), high: number(high), unit: 'ft²' }),
                  [
                    zone.stand.length === 0
                      ? t('visit.noGrass')
                      : t('visit.grasses', { count: zone.stand.length }),
                    zone.site.irrigated === null ? t('visit.irrigationOpen') : null,
                    zone.site.probe === null ? t('visit.notProbed') : null,
                  ]
                    .filter(Boolean)
                    .join(' · '),
                ]}
                href={to(`zone/${zone.id}`)}
              />
            );
          })}
          {lawn.zones.length > 0 ? (
            <ListRow
              testID="to-walk"
              title={t('visit.damage')}
              lines={[t('visit.patches', { count: lawn.patches.length })]}
              href={to('walk')}
            />
          ) : null}
          <ListRow
            testID="to-key"
            title={t('visit.key')}
            lines={[t('visit.keyLead')]}
            href={to('key')}
          />
          <ListRow
            testID="to-readings"
            title={t('visit.readings')}
            lines={[
              t('visit.readingsToday', {
                readings: todays(readings),
                samples: samples.filter(({ report }) => !report).length,
              }),
            ]}
            href={to('readings')}
          />
          <ListRow
            testID="to-photos"
            title={t('visit.photos')}
            lines={[t('visit.photosToday', { count: todays(photos) })]}
            href={to('photos')}
          />
        </View>
        <View className="gap-4 lg:flex-1">
          <Questions lawn={lawn} today={today} />
          <Card>
            <Title>{t('visit.words')}</Title>
            <Field
              label={t('visit.found')}
              value={note}
              onChange={setNote}
              multiline
              testID="visit-note"
            />
            <Field
              label={t('visit.promised')}
              value={promised}
              onChange={setPromised}
              multiline
              testID="visit-promised"
            />
          </Card>
        </View>
      </View>
    </Screen>
  );
}

const SUBJECTS = ['edge', 'irrigation', 'dog', 'children', 'mows', 'waters', 'other'] as const;

/** What only the customer can tell, collected on the way. */
function Questions({ lawn, today }: { lawn: Lawn; today: Visit['date'] }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const [kind, setKind] = useState<(typeof SUBJECTS)[number]>('irrigation');
  const [zoneId, setZoneId] = useState(lawn.zones[0]?.id ?? '');
  const [text, setText] = useState('');
  const zone = lawn.zones.find(({ id }) => id === zoneId) ?? lawn.zones[0];
  const ask = (subjects: readonly QuestionSubject[]) =>
    putLawn.mutate(
      {
        ...lawn,
        questions: [
          ...lawn.questions,
          ...subjects.map((subject) => ({ id: uuid(), subject, askedOn: today, answer: null })),
        ],
      },
      { onSuccess: () => setText('') },
    );
  const asked = (subject: QuestionSubject) =>
    lawn.questions.some(
      (question) =>
        !question.answer && JSON.stringify(question.subject) === JSON.stringify(subject),
    );
  const subjects: QuestionSubject[] =
    kind === 'edge'
      ? (zone?.edges ?? []).flatMap((state, edge) =>
          state === 'assumed' && zone ? [{ kind: 'edge' as const, zoneId: zone.id, edge }] : [],
        )
      : kind === 'irrigation'
        ? zone
          ? [{ kind, zoneId: zone.id }]
          : []
        : kind === 'other'
          ? text.trim() === ''
            ? []
            : [{ kind, text: text.trim() }]
          : [{ kind }];
  const fresh = subjects.filter((subject) => !asked(subject));
  return (
    <Card>
      <Title>{t('visit.questions')}</Title>
      {lawn.questions.length === 0 ? <Words tone="second">{t('visit.noQuestions')}</Words> : null}
      {lawn.questions.map((question) => (
        <View key={question.id} className="gap-1 border-b-2 border-line pb-2">
          <Words weight="semi">{questionWords(t, question.subject, lawn.zones)}</Words>
          <Words size="note" tone={question.answer ? 'good' : 'second'}>
            {question.answer
              ? `${t(`report.choice.${question.answer.value}`, { defaultValue: question.answer.value })} ${question.answer.note}`
              : t('visit.open')}
          </Words>
        </View>
      ))}
      <View className="flex-row flex-wrap gap-2">
        {SUBJECTS.map((subject) => (
          <Chip
            key={subject}
            label={t(`visit.subject.${subject}`)}
            chosen={kind === subject}
            onPress={() => setKind(subject)}
          />
        ))}
      </View>
      {(kind === 'edge' || kind === 'irrigation') && lawn.zones.length > 1 ? (
        <SelectField
          label={t('common.zone')}
          value={zone?.id ?? ''}
          options={lawn.zones.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setZoneId}
        />
      ) : null}
      {kind === 'other' ? (
        <Field label={t('visit.ask')} value={text} onChange={setText} testID="question-text" />
      ) : null}
      {kind === 'edge' && subjects.length === 0 ? (
        <Words size="note" tone="second">
          {t('visit.noAssumed')}
        </Words>
      ) : null}
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <Button
        kind="plain"
        label={t('visit.note', { count: Math.max(1, fresh.length) })}
        disabled={fresh.length === 0}
        onPress={() => ask(fresh)}
        testID="ask"
      />
    </Card>
  );
}
