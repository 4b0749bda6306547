/**
 * The first law of the plan: who does each job on its day is told to do none twice, and every need ends met, waiting
 * with a day, or given up with a reason.
 */
import fc from 'fast-check';
import { anyLawn } from './testdata/anyLawn';
import { AS_PLANNED, DISTURBED, obey, type Disturbances } from './testdata/obey';
import { cases } from './units/testdata/cases';

const walked = (disturbances: Disturbances, few: number, seed: number) =>
  fc.assert(
    fc.property(anyLawn, fc.integer({ min: 1, max: 1_000_000 }), (sample, draw) => {
      const { broken } = obey(sample, { days: 365, seed: draw, disturbances });
      expect(broken).toEqual([]);
    }),
    { ...cases(few), seed },
  );

it('asks for nothing twice of who does as it says', () => walked(AS_PLANNED, 6, 20261129));
it('asks for nothing twice where work is rained off, done by half, with another product or written down late', () =>
  walked(DISTURBED, 6, 20261130));
