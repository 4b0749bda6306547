import { cause } from '../knowledge';
import { needOfWork, type NeedKind } from '../needs/need';
import type { Agreement, Service } from '../needs/seasonInput';
import type { LocalDate } from '../units';
import { handWorkCloses } from './handWork';
import { jobsOf } from './job';
import type { Season, Sold } from './step';

/** What a need is sold as; `null`: finding out what grows there belongs to every agreement. */
function serviceOf(needId: string): Service | null {
  const [kind = '', subject = ''] = needId.split(':');
  switch (kind as NeedKind) {
    case 'control':
      return 'weed-control';
    case 'prevent':
      return 'pre-emergent';
    case 'cure':
    case 'protect':
      return cause(subject)?.group === 'insect' ? 'insects' : 'diseases';
    case 'feed':
      return 'feeding';
    case 'fill':
    case 'repair':
      return 'seeding';
    case 'renovate':
      return 'renovation';
    case 'find':
      return subject === 'soil' ? 'soil-test' : null;
    default:
      return null;
  }
}

/**
 * How work for some needs stands to an agreement: it is sold where one of its needs is.
 * @param first @param last days from which and until which it may be done: agreed where one of them is
 */
export function soldOf(
  needIds: readonly string[],
  [first, last]: readonly [LocalDate, LocalDate],
  { services, from, to, doneBy }: Agreement,
): Sold {
  const own = needIds.flatMap((id) => serviceOf(id) ?? []);
  const by = own.flatMap((service) => doneBy[service] ?? [])[0];
  const within = (from === undefined || last >= from) && (to === undefined || first <= to);
  const sold = own.length === 0 || own.some((service) => services.includes(service));
  if (!sold || !within) return { offer: true };
  return by ? { by } : {};
}

/** A season in which each job and each work by hand says whether it was agreed and who does it. */
export function withAgreement(season: Season, agreement: Agreement | null): Season {
  if (!agreement) return season;
  const sold = new Map(
    jobsOf(season.steps).flatMap(({ lines }) => {
      const needIds = lines.flatMap(({ serves }) => serves.map(needOfWork));
      const { best } = lines[0]!.window;
      const stands = soldOf(needIds, [best, best], agreement);
      return lines.map(({ id }): [string, Sold] => [id, stands]);
    }),
  );
  return {
    ...season,
    steps: season.steps.map((step) => ({ ...step, ...sold.get(step.id) })),
    byHand: season.byHand.map((work) => ({
      ...work,
      ...soldOf([work.need], [work.opens, handWorkCloses(work)], agreement),
    })),
  };
}
