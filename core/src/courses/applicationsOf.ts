import { LIBRARY } from '../products';
import type { Application } from '../rates';
import { addDays, SQUARE_FEET_PER_ACRE, type LocalDate } from '../units';
import type { Step } from './step';

/**
 * What a step would put down, in the terms of a record: one application a walk. Looking again puts
 * nothing down.
 * @param on day of the first walk; the step's best day unless given
 */
export function applicationsOf(step: Step, on: LocalDate = step.window.best): Application[] {
  const base = { zoneId: step.zoneId, areaFt2: step.areaFt2 };
  switch (step.kind) {
    case 'prevent':
    case 'control':
      return Array.from({ length: step.walks }, (_, walk) => ({
        ...base,
        id: `${step.id}#${walk + 1}`,
        date: addDays(on, walk * step.intervalDays),
        materials: step.products.map(({ herbicide: slug, ratePerAcre }) => ({
          kind: 'herbicide' as const,
          slug,
          amount: (ratePerAcre * step.areaFt2) / SQUARE_FEET_PER_ACRE,
          unit: LIBRARY.herbicide(slug)?.unit ?? 'oz',
        })),
      }));
    case 'feed':
      return [
        {
          ...base,
          id: step.id,
          date: on,
          materials: [
            { kind: 'fertilizer', slug: step.fertilizer, amount: step.totalLb, unit: 'lb' },
          ],
        },
      ];
    case 'seed':
      return [
        {
          ...base,
          id: step.id,
          date: on,
          materials: [
            step.material === 'plugs'
              ? { kind: 'plugs', slug: step.species, amount: step.total, unit: 'plugs' }
              : { kind: 'seed', slug: step.species, amount: step.total, unit: 'lb' },
          ],
        },
      ];
    case 'protect':
      return [
        {
          ...base,
          id: step.id,
          date: on,
          materials: [
            { kind: 'treatment', slug: step.treatment, amount: step.total, unit: step.unit },
          ],
        },
      ];
    case 'look-again':
      return [];
  }
}
