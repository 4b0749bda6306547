import {
  monthOf,
  responseAtDepth,
  shelfOf,
  SEASON_DEPTH_IN,
  siteFactors,
  siteOffset,
  stripThresholds,
  zoneBias,
  type Application,
  type Company,
  type Lawn,
  type LocalDate,
  type ProbeReading,
  type Season,
  type SeasonInput,
  type SoilCrossing,
  type SoilSample,
  type SoilSeason,
  type Visit,
  type WeatherBundle,
} from '@alfombra/core';
import {
  judgePins,
  lawnSeasonInput,
  planSeason,
  questionOf,
  rateCard,
  riskOfLawn,
  stepChoices,
  threadsOf,
  zoneCaseOf,
  type RateCard,
  type Risk,
  type Thread,
  type Sighting,
  type StepChoices,
} from '@alfombra/core/planning';
import type { CheckFinding } from '@alfombra/core/judging';

/** What the screens show of a zone's soil: plain data, so that it can leave a worker. */
export interface SoilView {
  start: LocalDate;
  today: LocalDate;
  measuredDays: number;
  meanF: (number | null)[];
  lowF: (number | null)[];
  highF: (number | null)[];
  /** Expected crossings of the lines on the strip, by slug. */
  crossings: Record<string, SoilCrossing | null>;
  /** °F that the site adds to the air today, share of the gap closed a day, °F from the probe. */
  offsetF: number;
  response: number;
  biasF: number;
  readings: number;
}

export interface SeasonView {
  season: Season;
  soil: Record<string, SoilView>;
  /** Each need with its work, for the strip. */
  threads: Thread[];
  /** Risk of today and the forecast, the worst first. */
  risk: Risk[];
  /** What the judge says of the steps that somebody set, by step. */
  judged: Record<string, CheckFinding[]>;
  /** By which the worker still knows what it was worked out from. */
  session?: number;
}

/** Everything a lawn's year is worked out from. */
export interface SeasonQuestion {
  company: Company;
  lawn: Lawn;
  visits: Visit[];
  records: Application[];
  readings: ProbeReading[];
  samples: SoilSample[];
  weather: WeatherBundle;
  /** What colleagues confirmed nearby lately. */
  sightings: Sighting[];
}

/** @param soil seasons of the soil by site on the same weather, which it adds to */
export const inputOf = (
  { company, weather, ...stored }: SeasonQuestion,
  soil?: Map<string, SoilSeason>,
) => {
  const { request, readings, records, history } = questionOf(company, stored);
  return lawnSeasonInput(request, weather, readings, records, history, soil);
};

/** Every way to do one step. @throws RangeError when there is nothing to choose about it */
export function choicesView(question: SeasonQuestion, stepId: string): StepChoices {
  const input = inputOf(question);
  const choices = stepChoices(input, planSeason(input).steps, stepId);
  if (!choices) throw new RangeError(`nothing to choose about step ${stepId}`);
  return choices;
}

/** Every product against one zone's grass and soil today. @throws RangeError where the grass has no name */
export function ratesView(question: SeasonQuestion, zoneId: string): RateCard {
  const input = inputOf(question);
  const zone = input.zones.find(({ id }) => id === zoneId);
  if (!zone) throw new RangeError(`no zone ${zoneId}`);
  return rateCard(zoneCaseOf(input, zone));
}

/** Works out a lawn's year. Runs in a worker; pure, so that tests call it as it is. */
export function seasonView(question: SeasonQuestion): SeasonView {
  const input = inputOf(question);
  return viewOf(question, input, planSeason(input));
}

/** What the screens show of a season that is worked out. */
export function viewOf(question: SeasonQuestion, input: SeasonInput, season: Season): SeasonView {
  const { company, lawn, readings, weather } = question;
  const { soil } = input;
  const views = lawn.zones.map((zone): [string, SoilView] => {
    const own = soil.get(zone.id);
    if (!own) throw new RangeError(`no soil season for zone ${zone.id}`);
    const probes = readings.filter(({ zoneId }) => zoneId === zone.id);
    return [
      zone.id,
      {
        start: own.start,
        today: own.today,
        measuredDays: own.measuredDays,
        meanF: own.meanF,
        lowF: own.lowF,
        highF: own.highF,
        crossings: Object.fromEntries(
          stripThresholds.map(({ slug, valueF }) => [
            slug,
            own.crossing(valueF, slug === 'annual-bluegrass-germinates' ? 'falling' : 'rising'),
          ]),
        ),
        offsetF: siteOffset(siteFactors(zone), monthOf(company.today)),
        response: responseAtDepth(SEASON_DEPTH_IN),
        biasF: probes.length > 0 ? zoneBias(siteFactors(zone), weather, probes).biasF : 0,
        readings: probes.length,
      },
    ];
  });
  const risk = riskOfLawn({ ...lawn, today: company.today }, weather, soil, question.sightings);
  const judged = Object.fromEntries(judgePins(input, season, { ...lawn, zones: input.zones }));
  return {
    season,
    soil: Object.fromEntries(views),
    threads: threadsOf(season, input.records, shelfOf(input.policy.labels)),
    risk,
    judged,
  };
}
