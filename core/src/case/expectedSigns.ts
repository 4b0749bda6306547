import type { Shelf } from '../products';
import { mixComponents, type Application } from '../rates';
import { addDays, localDate, type LocalDate } from '../units';

/** What a return should find, by the products that were put down; days as ranges, the first to the last. */
export interface ExpectedSigns {
  doneOn: LocalDate;
  yellow: readonly [LocalDate, LocalDate] | null;
  dead: readonly [LocalDate, LocalDate] | null;
}

/** The slowest of several ranges decides when all of it shows. */
function slowest(
  ranges: readonly (readonly [number, number] | null | undefined)[],
  from: LocalDate,
): readonly [LocalDate, LocalDate] | null {
  const known = ranges.filter((range) => range !== null && range !== undefined);
  if (known.length === 0) return null;
  const days = (at: 0 | 1) => Math.max(...known.map((range) => range[at]));
  return [addDays(from, days(0)), addDays(from, days(1))];
}

/**
 * What should be seen by now of the last work for a need: when leaves turn yellow and when they are dead, of the
 * herbicides on its record.
 * @returns `null` where no work for the need is on record
 */
export function expectedSigns(
  records: readonly Application[],
  needId: string,
  shelf: Shelf,
): ExpectedSigns | null {
  const [, subject = '', place = ''] = needId.split(':');
  const zone = place.split('.')[0];
  const last = records
    // A walk against several weeds is on record under the first of them, and names all.
    .filter(
      ({ stepId, zoneId, targets }) =>
        stepId?.startsWith(`${needId}/`) === true ||
        (zoneId === zone && targets?.includes(subject) === true),
    )
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .pop();
  if (!last) return null;
  const doneOn = localDate(last.date);
  const sprays = last.materials
    .filter(({ kind }) => kind === 'herbicide')
    .map(({ slug }) => ({ herbicide: slug, ratePerAcre: 1 }));
  const products = mixComponents(sprays, shelf).map(({ product }) => product);
  return {
    doneOn,
    yellow: slowest(
      products.map(({ daysToYellow }) => daysToYellow),
      doneOn,
    ),
    dead: slowest(
      products.map(({ daysToDead }) => daysToDead),
      doneOn,
    ),
  };
}
