import type { CheckContext, Judged } from '../checker';
import { nearZone } from './siteFacts';
import type { Company } from '../contract/company';
import type { Lawn } from '../contract/lawn';
import type { Moment } from '../contract/applicationRecord';
import { applicationRules, frostDates } from '../knowledge';
import { zoneArea } from '../lawn';
import { daysBetween, type LocalDate } from '../units';
import type { WeatherBundle } from '../weather';
import { lowPhosphorus, type ZoneSoil } from '../fertility';

/** Days back from a day over which the soil is said to warm or to cool. */
const TREND_DAYS = 10;
const RAIN_DAYS = 10;

/** What the judge reads of a stored lawn. */
export type JudgedLawn = Pick<Lawn, 'zones' | 'property' | 'features' | 'pins' | 'region'>;

/** What is known of a day from its weather and soil: what of it nobody knows is left out. */
export function momentOf(
  date: LocalDate,
  { days, forecast }: Pick<WeatherBundle, 'days' | 'forecast'>,
  soil?: { start: LocalDate; meanF: readonly (number | null)[] },
): Moment {
  const day = [...days, ...forecast].find((entry) => entry.date === date);
  const at = soil ? daysBetween(soil.start, date) : -1;
  const soilF = soil?.meanF[at] ?? null;
  const before = soil?.meanF[at - TREND_DAYS] ?? null;
  const until = days.filter((entry) => entry.date <= date).slice(-RAIN_DAYS);
  const rain = until.reduce((sum, { rainIn }) => sum + rainIn, 0);
  return {
    ...(day ? { airHighF: day.tmaxF } : {}),
    ...(soilF === null ? {} : { soilF }),
    ...(soilF === null || before === null ? {} : { soilRising: soilF >= before }),
    ...(until.length === RAIN_DAYS ? { dry: rain < applicationRules.droughtWaterIn } : {}),
  };
}

/**
 * The judge's question about one zone of a stored lawn, put alike by screens, worker, server and card at the kerb.
 * @param known what of the day and the walk is known beside the stored lawn
 * @returns `null` when the lawn has no such zone
 */
export function judgeContext(
  lawn: JudgedLawn,
  { zoneId, date }: { zoneId: string; date: string },
  {
    others,
    policy,
    samples,
    moment,
    ...known
  }: {
    others: readonly Judged[];
    policy: Company['policy'];
    samples: readonly Pick<ZoneSoil, 'zoneId' | 'report'>[];
    moment?: Moment | null | undefined;
  } & Pick<CheckContext, 'airF' | 'windMph' | 'bloom' | 'paceMph' | 'calibratedMph' | 'kill'>,
): CheckContext | null {
  const zone = lawn.zones.find(({ id }) => id === zoneId);
  if (!zone) return null;
  const { site } = zone;
  const { property } = lawn;
  const low = lowPhosphorus(samples, zoneId, date);
  const watered = site.irrigated ?? property.waters === 'system';
  const { dry, ...day } = moment ?? {};
  return {
    stand: zone.stand,
    desired: zone.desired,
    zoneFt2: zoneArea(zone),
    others: others.filter((other) => other.zoneId === zoneId),
    irrigated: watered,
    ...day,
    ...(dry === undefined ? {} : { drought: dry && !watered }),
    treeRoots: site.treeRoots,
    tenderPlants: site.sensitivePlants,
    ...(site.newTurf === null ? {} : { youngTurf: site.newTurf }),
    ...nearZone(lawn, zone),
    children: property.children === true,
    pets: property.pets === true || site.dog === true,
    firstFrost: frostDates[lawn.region].first,
    certified: policy.certified,
    confirmedLabels: policy.confirmedLabels,
    ordinance: policy.ordinance,
    labels: policy.labels,
    ...(low === undefined ? {} : { lowPhosphorus: low }),
    ...known,
  };
}
