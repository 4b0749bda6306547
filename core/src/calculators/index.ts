import type { Calculator } from './calculator';
import { feedCalculators } from './feed';
import { measureCalculators } from './measure';
import { seedCalculators } from './seed';
import { soilCalculators } from './soil';
import { sprayCalculators } from './spray';
import { spreadCalculators } from './spread';
import { waterCalculators } from './water';

export * from './calculator';
export { convert } from './measure';

/** Every calculator of the trade, each usable on its own. */
export const calculators: readonly Calculator[] = [
  ...sprayCalculators,
  ...spreadCalculators,
  ...feedCalculators,
  ...soilCalculators,
  ...waterCalculators,
  ...seedCalculators,
  ...measureCalculators,
];

export const calculatorOf = (slug: string): Calculator | undefined =>
  calculators.find((entry) => entry.slug === slug);
