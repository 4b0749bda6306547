import { fieldTestCards, type FieldTestCard } from '../../knowledge/fieldTestCards';
import { seededRandom } from '../../weather';
import { fieldTestResult, type FieldTestInput } from '../fieldTests';

/** Every card read with figures from all of its range: card, what was read, what came of it; a line each. */
export function readings(): string[] {
    const chance = seededRandom(19);
    const valueOf = (field: FieldTestCard['fields'][number]) => {
      if (field.kind === 'yes-no') return chance() < 0.5;
      const whole = field.kind === 'count';
      const number = () => {
        const value = field.min + chance() ** 2 * (field.max - field.min);
        return whole || field.max - field.min > 20 ? Math.round(value) : Number(value.toFixed(2));
      };
      return field.kind === 'series' ? Array.from({ length: field.samples }, number) : number();
    };
    return fieldTestCards
      .filter(({ fields }) => fields.length > 0)
      .flatMap((card) =>
        Array.from({ length: 14 }, (_, index) => {
          const values = Object.fromEntries(
            card.fields.map((field) => [field.slug, valueOf(field)]),
          );
          const species = index % 2 === 0 ? 'tall-fescue' : 'bermuda-hybrid';
          const result = fieldTestResult({ test: card.slug, values } as FieldTestInput, species);
          return JSON.stringify([card.slug, values, result], (_key, value: unknown) =>
            typeof value === 'number' ? Number(value.toPrecision(6)) : value,
          );
        }),
      );
}
