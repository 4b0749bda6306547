import {
  fertilizer,
  grass,
  herbicide,
  seedMix,
  seedMixRate,
  seedRate,
  treatment,
  type GrassSlug,
  LIBRARY,
} from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { LinkButton, number, Sheet, Tag, Words } from '@/ui';
import { entryName, type LibraryEntry } from './seedEntries';

type Row = [label: string, value: string];

/** What the library takes for the typical label of an entry. */
export function ProductSheet({
  entry,
  onClose,
}: {
  entry: LibraryEntry | null;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  if (!entry) return null;
  return (
    <Sheet open title={entryName(t, entry)} onClose={onClose}>
      <Tag label={t('shelf.typical')} tone="caution" />
      {rowsOf(t, entry).map(([label, value]) => (
        <View key={`${label} ${value}`} className="flex-row gap-3">
          <Words tone="second" className="flex-1">
            {t(`shelf.row.${label}`)}
          </Words>
          <Words weight="semi" tabular className="shrink text-right">
            {value}
          </Words>
        </View>
      ))}
      <LinkButton
        label={t('shelf.fromThis')}
        href={`/guide/label/new?base=${entry.kind}:${entry.slug}`}
        testID="label-from-this"
        wide
      />
    </Sheet>
  );
}

/** Rates of a seed, and of a mix what it is made of by weight and by number. */
function seedRows(t: ReturnType<typeof useTranslation>['t'], slug: string): Row[] {
  const mix = seedMix(slug);
  const rate = (use: 'overseed' | 'new') => {
    const own = mix ? seedMixRate(mix, use) : seedRate(slug as GrassSlug, use);
    return own ? `${number(own.plsLbPer1000, 2)} lb/1,000 ft²` : '–';
  };
  const seed = mix ? null : grass(slug as GrassSlug).seed;
  return [
    ['overseed', rate('overseed')],
    ['newSeed', rate('new')],
    ...(mix
      ? seedMixRate(mix, 'overseed').parts.map(({ species, countShare }, index): Row => [
          'part',
          t('shelf.partOf', {
            grass: t(`grass.${species}`),
            weight: number(100 * mix.parts[index]!.share),
            count: number(100 * countShare),
          }),
        ])
      : []),
    ...(seed
      ? ([
          ['seedsPerLb', number(seed.seedsPerLb)],
          [
            'germination',
            t('shelf.daysRange', { low: seed.germinationDays[0], high: seed.germinationDays[1] }),
          ],
          ['soil', `${seed.soilF.min}–${seed.soilF.max} °F`],
        ] as Row[])
      : []),
  ];
}

function rowsOf(t: ReturnType<typeof useTranslation>['t'], { kind, slug }: LibraryEntry): Row[] {
  const range = (low: number | null, high: number, unit: string) =>
    `${low === null ? '' : `${number(low, 2)}–`}${number(high, 2)} ${unit}`;
  if (kind === 'seed') return seedRows(t, slug);
  if (kind === 'fertilizer') {
    const entry = fertilizer(slug);
    return entry
      ? [
          ['grade', entry.grade.join('-')],
          ['slow', `${number(entry.slowShare * 100)} %`],
          ['salt', number(entry.saltIndex)],
          ['bag', `${entry.bagLb} lb`],
        ]
      : [];
  }
  if (kind === 'treatment') {
    const entry = treatment(slug);
    if (!entry) return [];
    const unit = entry.unit ? `${t(`unit.${entry.unit}`)}/A` : '';
    return [
      ['group', entry.group],
      [
        'rate',
        entry.ratePerAcre
          ? range(entry.ratePerAcre[0], entry.ratePerAcre[1], unit)
          : t('shelf.readLabel'),
      ],
      ...(entry.maxPerYear === null
        ? []
        : [['year', `${number(entry.maxPerYear, 1)} ${unit}`] as Row]),
      ...(entry.minIntervalDays === null
        ? []
        : [['interval', t('shelf.days', { count: entry.minIntervalDays })] as Row]),
      ['targets', entry.targets.map((cause) => t(`cause.${cause}`)).join(', ') || '–'],
      ['preventive', t(`shelf.grade.${entry.preventive}`)],
      ['curative', t(`shelf.grade.${entry.curative}`)],
      ['bees', t(`shelf.bee.${entry.beeHazard}`)],
      ['waterIn', entry.waterInIn === null ? '–' : `${number(entry.waterInIn, 2)} in`],
      ['home', t(`shelf.home.${entry.residential}`)],
      ['signal', t(`shelf.signal.${entry.signalWord}`)],
    ];
  }
  const entry = herbicide(slug);
  if (!entry) return [];
  const fed = LIBRARY.herbicide(slug)?.nutrients;
  const unit = `${t(`unit.${entry.unit}`)}/A`;
  const grasses = (rating: string) =>
    Object.entries(entry.tolerance)
      .filter(([, own]) => own === rating)
      .map(([species]) => t(`grass.${species === 'zoysia' ? 'zoysia-wide' : species}`))
      .join(', ') || '–';
  return [
    ['group', [...new Set(entry.hrac)].join(', ')],
    ['rate', range(entry.rate[0], entry.rate[1], unit)],
    ...(fed ? [['grade', `${fed.n}-${fed.p2o5}-${fed.k2o}`] as Row] : []),
    ['year', `${number(entry.maxPerYear, 1)} ${unit}`],
    ['applications', number(entry.maxApplications)],
    ['interval', t('shelf.days', { count: entry.minIntervalDays })],
    ['air', `${entry.airF[0]}–${entry.airF[1]} °F`],
    [
      'rainfast',
      entry.rainfastHours === null ? '–' : t('shelf.hours', { count: entry.rainfastHours }),
    ],
    [
      'seedAfter',
      t('shelf.weeks', { value: [...new Set(entry.waitBeforeSeedingWeeks)].join('–') }),
    ],
    ['seedBefore', t('shelf.weeks', { value: entry.seedlingAgeWeeks })],
    ['home', t(`shelf.home.${entry.residential}`)],
    ['signal', t(`shelf.signal.${entry.signalWord}`)],
    ['safe', grasses('safe')],
    ['careful', grasses('caution')],
    ['injures', [grasses('injures'), grasses('kills')].filter((x) => x !== '–').join(', ') || '–'],
  ];
}
