/** The page of `choiceSpeed.ts`: the exact choice on questions drawn at random, timed where it runs. */
import { chooseTogether } from '../core/src/choice/chooseTogether';
import { chooseWalks } from '../core/src/choice/chooseWalks';
import type { MixQuestion } from '../core/src/choice/chooseMix';
import { plainMix } from '../core/src/choice/testdata/testMix';
import { zoneCaseOf, type ZoneCase } from '../core/src/choice/zoneCase';
import { weeds, type GrassSlug } from '../core/src/knowledge';
import { seasonRequestSchema } from '../core/src/needs/seasonInput';
import { lawnSeasonInput } from '../core/src/program/lawnSeason';
import { testZone } from '../core/src/program/testdata/testLawn';
import { localDate } from '../core/src/units';
import { seededRandom } from '../core/src/weather';
import { testWeather } from '../core/src/weather/testdata/testWeather';

export interface Waits {
  /** ms a question. */
  walks: number[];
  together: number[];
  /** ms for sorting a million numbers in the same page. */
  baseline: number;
}

declare global {
  var measure: (asked: { targets: number; questions: number; warmUp: number }) => Waits;
}

const DATE = localDate('2026-05-20');
const TURF: readonly GrassSlug[] = [
  'kentucky-bluegrass',
  'tall-fescue',
  'perennial-ryegrass',
  'bermuda-hybrid',
  'zoysia-wide',
  'st-augustine',
  'centipede',
  'bahia',
];
const WISHES = [60, 70, 80, 90] as const;
/** Of every hundred questions so many are asked with an insect, a disease and a feeding, too. */
const TOGETHER_SHARE = 1 / 3;

/** A question of so many weeds over the whole library; the same seed gives the same. */
function drawQuestion(seed: number, count: number): MixQuestion {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const grass = pick(TURF);
  const targets = new Set<string>();
  while (targets.size < count) targets.add(pick(weeds).slug);
  return plainMix({
    grasses: [grass],
    targets: [...targets].map((weed) => ({ weed, targetPct: pick(WISHES) })),
    treatedFt2: 6000,
    certified: true,
  });
}

function caseOf({ grasses }: MixQuestion): ZoneCase {
  const zone = testZone(1, [{ species: grasses[0] as GrassSlug, cover: 0.9 }], {
    desired: [...grasses],
  });
  const request = seasonRequestSchema.parse({
    today: DATE,
    region: 'transition',
    zones: [zone],
    findings: [{ zoneId: zone.id }],
  });
  return zoneCaseOf(lawnSeasonInput(request, testWeather('transition', 1, DATE), [], []), zone);
}

function timed<Row>(rows: readonly Row[], warmUp: number, work: (row: Row) => void): number[] {
  rows.slice(0, warmUp).forEach(work);
  return rows.map((row) => {
    const begun = performance.now();
    work(row);
    return performance.now() - begun;
  });
}

globalThis.measure = ({ targets, questions, warmUp }) => {
  const drawn = Array.from({ length: questions }, (_, index) => drawQuestion(index + 1, targets));
  const walks = timed(drawn, warmUp, (question) => void chooseWalks(question));
  const together = timed(
    drawn.slice(0, questions * TOGETHER_SHARE).map((asked) => ({ asked, zoneCase: caseOf(asked) })),
    warmUp,
    ({ asked, zoneCase }) =>
      void chooseTogether(zoneCase, {
        weeds: asked,
        causes: [
          { cause: 'armyworm', mode: 'curative', targetPct: 80 },
          { cause: 'brown-patch', mode: 'preventive', targetPct: 80 },
        ],
        prevent: null,
        feed: { fertilizer: '24-0-11-half-slow', productLbPer1000: 3 },
        date: DATE,
        airHighF: 75,
      }),
  );
  const numbers = Float64Array.from({ length: 1e6 }, (_, index) => Math.sin(index * index));
  const begun = performance.now();
  numbers.sort();
  return { walks, together, baseline: performance.now() - begun };
};
