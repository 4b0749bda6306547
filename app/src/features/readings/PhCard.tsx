import { comparePh, mainGrass, type Lawn, type LocalDate, type Zone } from '@alfombra/core';
import { useWatch } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { v7 as uuid } from 'uuid';
import { usePutReading } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { useDraftForm } from '@/state/useDraftForm';
import {
  Button,
  Card,
  Failed,
  FormChoices,
  FormField,
  number,
  Tag,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import { KeptReadings } from './KeptReadings';
import { emptySpots, phFormSchema, type PhDraft } from './readingDraft';
import { SpotFields } from './SpotFields';

const WATERS = ['distilled', 'rain', 'tap', 'unknown'] as const;

/** A pH kit at several spots against the spot where the turf is best. */
export function PhCard({ lawn, zone, today }: { lawn: Lawn; zone: Zone; today: LocalDate }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const put = usePutReading(lawn.id);
  const { form, unsaved, done, discard } = useDraftForm({
    key: `ph:${zone.id}`,
    source: zone.id,
    make: (): PhDraft => ({ spots: emptySpots(), kit: '', water: 'unknown' }),
    schema: phFormSchema,
  });
  const { control, reset } = form;
  const draft = useWatch({ control }) as PhDraft;
  const spots = draft.spots.flatMap((text, index) => {
    const value = typedNumber(text);
    return value === null || value < 2 || value > 12 ? [] : [{ index, value }];
  });
  const compared = comparePh(
    spots.map(({ value }) => value),
    0,
    mainGrass(zone),
  );
  const save = form.handleSubmit((read) =>
    put.mutate(
      {
        id: uuid(),
        body: {
          kind: 'ph',
          lawnId: lawn.id,
          zoneId: zone.id,
          date: today,
          spots: read.spots.filter((value) => value !== null),
          kit: read.kit,
          water: read.water,
          takenBack: false,
        },
      },
      {
        onSuccess: () => {
          done();
          reset({ ...draft, spots: emptySpots() });
        },
      },
    ),
  );
  return (
    <Card>
      <Title>{t('readings.ph')}</Title>
      <SpotFields
        control={control}
        label={(spot) =>
          t(spot === 1 ? 'readings.bestSpot' : 'readings.phSpotOf', { number: spot })
        }
      />
      <FormChoices
        control={control}
        name="water"
        label={t('readings.waterLabel')}
        options={WATERS}
        nameOf={(option: (typeof WATERS)[number]) => t(`readings.water.${option}`)}
      />
      {draft.water === 'tap' ? (
        <Words size="note" weight="semi" tone="caution">
          {t('readings.tapCaution')}
        </Words>
      ) : null}
      <FormField control={control} name="kit" label={t('readings.kit')} />
      {compared ? (
        <>
          {compared.bestVerdict ? (
            <Tag
              label={t(`readings.phBest.${compared.bestVerdict}`, {
                value: number(compared.best, 1),
              })}
              tone={compared.bestVerdict === 'fine' ? 'good' : 'caution'}
            />
          ) : null}
          {compared.spots.slice(1).map(({ difference, verdict }, index) => (
            <Words key={index} tone={verdict === 'finding' ? 'stop' : 'second'}>
              {t(`readings.phSpot.${verdict}`, {
                number: (spots[index + 1]?.index ?? index + 1) + 1,
                difference: number(difference, 1),
              })}
            </Words>
          ))}
          <Words size="note" tone="quiet">
            {t('readings.phCaution')}
          </Words>
        </>
      ) : null}
      {put.error ? <Failed message={words(put.error)} /> : null}
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button
        label={t('readings.keepPh')}
        onPress={() => void save()}
        busy={put.isPending ? t('common.loading') : null}
      />
      <KeptReadings lawn={lawn} zoneId={zone.id} kind="ph" />
    </Card>
  );
}
